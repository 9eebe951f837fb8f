import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { Catalog, Fryer, PlanInput, Simulation } from '../api/client';
import type { Units } from '../format/units';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { fieldBox } from '../ui/field';
import { Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { Line, Part } from '../ui/sentence';
import { Stepper } from '../ui/Stepper';
import { basketWords } from './basketWords';
import { CutPicker } from './CutPicker';

const Scroll = styled.div`
  max-height: 300px;
  overflow: auto;
  margin: 0 -6px;
  padding: 4px 6px;
`;

const Time = styled.input`
  ${fieldBox}
  font-size: 20px;
  font-weight: 600;
`;

const Small = styled(Quiet)`
  font-size: 14px;
`;

/** A piece's thickness beside a ruler, as large as life on most screens. */
function Ruler({ mm }: { mm: number }) {
  const px = 96 / 25.4;
  const end = Math.max(60, Math.ceil(mm / 10) * 10);
  return (
    <svg
      width="100%"
      viewBox={`0 0 ${end * px + 4} 52`}
      role="img"
      aria-label={`${Math.round(mm)} millimetres on a ruler`}
    >
      <rect x={2} y={2} width={mm * px} height={20} rx={9} fill="var(--lemon-wash)" stroke="var(--ink)" />
      {Array.from({ length: end + 1 }, (_, k) => (
        <line
          key={k}
          x1={2 + k * px}
          x2={2 + k * px}
          y1={26}
          y2={k % 10 === 0 ? 37 : k % 5 === 0 ? 34 : 31}
          stroke="var(--ink)"
          strokeWidth={k % 10 === 0 ? 1.4 : 0.8}
        />
      ))}
      {Array.from({ length: end / 10 + 1 }, (_, k) => (
        <text
          key={k}
          x={2 + k * 10 * px}
          y={50}
          fontSize={12}
          textAnchor={k === 0 ? 'start' : 'middle'}
          fill="var(--quiet)"
        >
          {k} {k === 0 ? 'cm' : ''}
        </text>
      ))}
    </svg>
  );
}

interface Props {
  plan: PlanInput;
  edit: (what: string, change: (now: PlanInput) => PlanInput) => void;
  catalog: Catalog;
  fryers: Fryer[];
  units: Units;
  piece: Simulation['piece'] | null;
  /** How many pieces a dish may have. */
  most: number;
  toBench: () => void;
}

function warmth(c: number): string {
  if (c < 1) return 'barely thawed';
  if (c <= 7) return 'fridge-cold';
  if (c <= 14) return 'cool';
  return 'at room temperature';
}

/** What the cook has, as one sentence; each underlined part is a choice. */
export function OrderLine({ plan, edit, catalog, fryers, units, piece, most, toBench }: Props) {
  const { load, coat } = plan;
  const cut = catalog.cuts.find((c) => c.id === load.cut);
  const coatInfo = catalog.coats.find((c) => c.id === coat.id);
  const fryer = fryers.find((f) => f.id === plan.fryerId);
  const second = fryers.find((f) => f.id === plan.secondFryerId);
  const startC = load.startC ?? 5;
  const hours = (h: number) => (h < 1 ? `${Math.round(h * 60)} min` : `${h} h`);
  const before = [
    ...(plan.bench?.salting
      ? [`${hours(plan.bench.salting.hours)} in ${plan.bench.salting.school === 'brine' ? 'brine' : 'salt'}`]
      : []),
    ...(plan.bench?.marinade?.items.length ? [`${hours(plan.bench.marinade.hours)} in the marinade`] : []),
  ];
  const perMass = units.gram === 'oz' ? 453.6 : 1000;
  const thick = load.thicknessMm ?? piece?.thicknessMm ?? 20;
  const setLoad = (what: string, change: Partial<PlanInput['load']>) =>
    edit(what, (now) => ({ ...now, load: { ...now.load, ...change } }));
  const part = (title: string, text: string, body: ReactNode | ((close: () => void) => ReactNode), width?: number) => (
    <Pop title={title} body={body} {...(width ? { width } : {})}>
      <Part>{text}</Part>
    </Pop>
  );
  return (
    <Line aria-label="What you have">
      {part(
        'How many',
        `${load.pieces} ${load.pieces === 1 ? (cut?.name ?? '') : (cut?.plural ?? '')}`,
        (close) => (
          <>
            <Stepper
              label="Pieces in all"
              value={load.pieces}
              min={1}
              max={most}
              onChange={(pieces) =>
                edit('pieces', (now) => ({
                  ...now,
                  load: { ...now.load, pieces },
                  perBasket: now.perBasket && now.perBasket < pieces ? now.perBasket : undefined,
                }))
              }
            />
            <CutPicker
              cuts={catalog.cuts}
              value={load.cut}
              units={units}
              onChange={(next) => {
                if (next.id !== load.cut)
                  edit('cut', (now) => ({
                    ...now,
                    load: {
                      cut: next.id,
                      pieces: now.load.pieces,
                      pieceMassG: next.typicalG,
                      startC,
                      surface: now.load.surface,
                    },
                  }));
                close();
              }}
            />
          </>
        ),
        440,
      )}{' '}
      of about{' '}
      {part(
        'How big is one',
        units.mass(load.pieceMassG),
        <>
          <Stepper
            label="One piece weighs"
            unit={units.gram}
            value={units.toMass(load.pieceMassG)}
            min={Math.max(units.massStep, units.toMass(cut?.leastG ?? 4))}
            max={units.toMass(cut?.mostG ?? 400)}
            step={units.massStep}
            onChange={(m) =>
              setLoad('mass', { pieceMassG: Math.round(units.fromMass(m) * 10) / 10, thicknessMm: undefined })
            }
          />
          <Stepper
            label={units.gram === 'oz' ? 'Or pieces to the pound' : 'Or pieces to the kilogram'}
            value={Math.round((perMass / load.pieceMassG) * 10) / 10}
            min={Math.ceil((perMass / (cut?.mostG ?? 400)) * 10) / 10}
            max={Math.floor((perMass / (cut?.leastG ?? 4)) * 10) / 10}
            step={perMass / load.pieceMassG < 12 ? 0.5 : 1}
            onChange={(n) =>
              setLoad('mass', { pieceMassG: Math.round((perMass / n) * 10) / 10, thicknessMm: undefined })
            }
          />
          <Stepper
            label="Thickest part, by ruler"
            unit="mm"
            value={Math.round(thick)}
            min={piece?.leastMm ?? 1}
            max={piece?.mostMm ?? 100}
            onChange={(mm) => setLoad('thickness', { thicknessMm: mm })}
          />
          <Ruler mm={thick} />
          <Small>
            {load.thicknessMm
              ? 'By your ruler. A change of weight works it out anew.'
              : 'Worked out from the weight and the shape of the cut. A ruler does better.'}
          </Small>
        </>,
      )}
      ,{' '}
      {part(
        'How cold is it',
        warmth(startC),
        <>
          <Stepper
            label="Inside, when it goes in"
            unit={units.degree}
            value={units.toDegrees(startC)}
            min={units.toDegrees(catalog.limits.minStartC)}
            max={units.toDegrees(30)}
            onChange={(d) =>
              setLoad('start', {
                startC: Math.max(catalog.limits.minStartC, Math.round(units.fromDegrees(d) * 10) / 10),
              })
            }
          />
          <Small>
            Straight from the fridge is {units.temperature(4)} to {units.temperature(6)}. Thaw frozen pieces in the
            fridge first: a frozen middle stays raw while the outside burns.
          </Small>
        </>,
      )}{' '}
      and{' '}
      {part(
        'How dry is it outside',
        plan.bench?.drying.school === 'rack' && load.surfaceWaterG !== undefined
          ? `dried ${plan.bench.drying.hours ?? 0} h on the rack`
          : (catalog.surfaces.find((s) => s.id === (load.surface ?? 'wiped'))?.says ?? ''),
        (close) => (
          <>
            <Choice
              label="Outside"
              quiet
              options={catalog.surfaces.map((s) => ({ id: s.id, name: s.name }))}
              value={load.surface ?? 'wiped'}
              onChange={(surface) => {
                // Said here, it is not what the bench had.
                edit('surface', (now) => ({
                  ...now,
                  load: { ...now.load, surface, surfaceWaterG: undefined },
                  bench: now.bench ? { ...now.bench, drying: {} } : undefined,
                }));
                close();
              }}
            />
            <Small>A dry surface decides crispness. Raw poultry is wiped, not rinsed: splashes spread germs.</Small>
          </>
        ),
      )}
      ,{' '}
      {part(
        'In which coat',
        `${coatInfo?.says ?? coat.id}${coat.oilG && coat.id !== 'oil-rub' ? ' and oiled' : ''}`,
        <>
          <Scroll>
            <Choice
              label="Coat"
              quiet
              options={catalog.coats.map((c) => ({
                id: c.id,
                name: c.name,
                ...(c.allergens.length > 0 ? { note: `holds ${c.allergens.join(', ')}` } : {}),
              }))}
              value={coat.id}
              onChange={(id) => edit('coat', (now) => ({ ...now, coat: { ...now.coat, id } }))}
            />
          </Scroll>
          <Stepper
            label="Oil on all of it"
            unit={units.gram}
            value={units.toMass(coat.oilG ?? 0)}
            min={0}
            max={units.toMass(120)}
            step={units.massStep}
            onChange={(m) =>
              edit('oil', (now) => ({
                ...now,
                coat: { ...now.coat, oilG: Math.round(units.fromMass(m) * 10) / 10 },
                bench: now.bench ? { ...now.bench, coating: { ...now.bench.coating, oil: undefined } } : undefined,
              }))
            }
          />
          <Stepper
            label="Sugar in rub or marinade"
            unit="% of the surface"
            value={coat.sugarPct ?? 0}
            min={0}
            max={30}
            step={0.5}
            onChange={(sugarPct) => edit('sugar', (now) => ({ ...now, coat: { ...now.coat, sugarPct } }))}
          />
        </>,
        440,
      )}
      {before.length > 0 ? (
        <>
          , after{' '}
          {part('Before the basket', before.join(' and '), (close) => (
            <>
              <Small>Salt and marinade are worked out on the bench and fed into this forecast.</Small>
              <Button
                onPress={() => {
                  close();
                  toBench();
                }}
              >
                To the bench
              </Button>
            </>
          ))}
        </>
      ) : null}
      , cooked in{' '}
      {part('In which fryer', fryer?.name ?? 'fryer', (close) => (
        <Choice
          label="Fryer"
          quiet
          options={fryers.map((f) => ({ id: f.id, name: f.name, note: basketWords(f.basket) }))}
          value={plan.fryerId}
          onChange={(fryerId) => {
            edit('fryer', (now) => ({
              ...now,
              fryerId,
              secondFryerId: now.secondFryerId === fryerId ? undefined : now.secondFryerId,
            }));
            close();
          }}
        />
      ))}
      {second ? (
        <>
          {' '}
          and the{' '}
          {part('Which other one helps', second.name, (close) => (
            <>
              <Choice
                label="Second fryer"
                quiet
                options={fryers
                  .filter((f) => f.id !== plan.fryerId)
                  .map((f) => ({ id: f.id, name: f.name, note: basketWords(f.basket) }))}
                value={second.id}
                onChange={(secondFryerId) => {
                  edit('second fryer', (now) => ({ ...now, secondFryerId }));
                  close();
                }}
              />
              <Button
                onPress={() => {
                  edit('second fryer', (now) => ({ ...now, secondFryerId: undefined }));
                  close();
                }}
              >
                Only the first
              </Button>
            </>
          ))}
        </>
      ) : null}
      {plan.perBasket && plan.perBasket < load.pieces ? (
        <>
          ,{' '}
          {part('How many at a time', `${plan.perBasket} at a time`, (close) => (
            <>
              <Stepper
                label="In the first basket"
                value={plan.perBasket ?? load.pieces}
                min={1}
                max={load.pieces}
                onChange={(perBasket) => edit('per basket', (now) => ({ ...now, perBasket }))}
              />
              <Button
                onPress={() => {
                  edit('per basket', (now) => ({ ...now, perBasket: undefined }));
                  close();
                }}
              >
                All at once
              </Button>
            </>
          ))}
        </>
      ) : null}
      , on the table{' '}
      {part('On the table when', plan.tableTime ? `at ${plan.tableTime}` : 'when it is done', (close) => (
        <>
          <label htmlFor="table-time">At</label>
          <Time
            id="table-time"
            type="time"
            value={plan.tableTime ?? ''}
            onChange={(e) => {
              const t = e.target.value;
              edit('table', (now) => ({ ...now, tableTime: /^\d\d:\d\d$/.test(t) ? t : undefined }));
            }}
          />
          <Button
            onPress={() => {
              edit('table', (now) => ({ ...now, tableTime: undefined }));
              close();
            }}
          >
            When it is done
          </Button>
        </>
      ))}
      .
    </Line>
  );
}
