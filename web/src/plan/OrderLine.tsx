import { useState, type ReactNode } from 'react';
import { Button as AriaButton, Input, Label, SearchField } from 'react-aria-components';
import styled from 'styled-components';
import type { Catalog, Fryer, PlanInput, Simulation } from '../api/client';
import type { Units } from '../format/units';
import { at, type } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { fieldBox, labelled } from '../ui/field';
import { Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { Stepper } from '../ui/Stepper';

const Line = styled.p`
  font: 600 25px/1.6 ${type.loud};
  letter-spacing: -0.012em;
  margin: 4px 0 12px;
  text-wrap: pretty;
  ${at.phone} {
    font-size: 21px;
    line-height: 1.9;
  }
`;

const Part = styled(AriaButton)`
  display: inline;
  padding: 2px 1px;
  margin: 0;
  border: 0;
  text-decoration: underline 3px var(--lemon);
  text-underline-offset: 7px;
  text-decoration-skip-ink: none;
  background: transparent;
  color: inherit;
  font: inherit;
  letter-spacing: inherit;
  text-align: start;
  cursor: pointer;
  &[data-hovered],
  &[aria-expanded='true'] {
    background: var(--lemon-wash);
    border-radius: 6px;
  }
`;

const Find = styled(SearchField)`
  ${labelled}
  input {
    ${fieldBox}
  }
`;

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

interface Props {
  plan: PlanInput;
  edit: (what: string, change: (now: PlanInput) => PlanInput) => void;
  catalog: Catalog;
  fryers: Fryer[];
  units: Units;
  piece: Simulation['piece'] | null;
  /** How many go into the basket at all. */
  most: number;
}

function warmth(c: number): string {
  if (c < 1) return 'barely thawed';
  if (c <= 7) return 'fridge-cold';
  if (c <= 14) return 'cool';
  return 'at room temperature';
}

/** What the cook has, as one sentence; each underlined part is a choice. */
export function OrderLine({ plan, edit, catalog, fryers, units, piece, most }: Props) {
  const { load, coat } = plan;
  const cut = catalog.cuts.find((c) => c.id === load.cut);
  const coatInfo = catalog.coats.find((c) => c.id === coat.id);
  const fryer = fryers.find((f) => f.id === plan.fryerId);
  const [search, setSearch] = useState('');
  const startC = load.startC ?? 5;
  const setLoad = (what: string, change: Partial<PlanInput['load']>) =>
    edit(what, (now) => ({ ...now, load: { ...now.load, ...change } }));
  const part = (title: string, text: string, body: ReactNode | ((close: () => void) => ReactNode), width?: number) => (
    <Pop title={title} body={body} {...(width ? { width } : {})}>
      <Part>{text}</Part>
    </Pop>
  );
  const wanted = search.trim().toLowerCase();
  const groups = [...new Set(catalog.cuts.map((c) => c.group))]
    .map((name) => ({
      name,
      cuts: catalog.cuts.filter((c) => c.group === name && `${c.name} ${c.group}`.toLowerCase().includes(wanted)),
    }))
    .filter((g) => g.cuts.length > 0);

  return (
    <Line aria-label="What you have">
      {part(
        'How many',
        `${load.pieces} ${load.pieces === 1 ? (cut?.name ?? '') : (cut?.plural ?? '')}`,
        (close) => (
          <>
            <Stepper
              label="Pieces in this basket"
              value={load.pieces}
              min={1}
              max={most}
              onChange={(pieces) => setLoad('pieces', { pieces })}
            />
            <Find value={search} onChange={setSearch}>
              <Label>Of which cut</Label>
              <Input placeholder="wing, prawn, potato…" />
            </Find>
            <Scroll>
              {groups.length === 0 ? <Small>No cut is called that.</Small> : null}
              {groups.map((g) => (
                <Choice
                  key={g.name}
                  label={g.name}
                  options={g.cuts.map((c) => ({ id: c.id, name: c.name, note: `usually ${units.mass(c.typicalG)}` }))}
                  value={g.cuts.some((c) => c.id === load.cut) ? load.cut : null}
                  onChange={(id) => {
                    const next = catalog.cuts.find((c) => c.id === id);
                    if (!next || id === load.cut) return;
                    edit('cut', (now) => ({
                      ...now,
                      load: {
                        cut: id,
                        pieces: now.load.pieces,
                        pieceMassG: next.typicalG,
                        startC,
                        surface: now.load.surface,
                      },
                    }));
                    close();
                  }}
                />
              ))}
            </Scroll>
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
            label="Thickest part, by ruler"
            unit="mm"
            value={Math.round(load.thicknessMm ?? piece?.thicknessMm ?? 20)}
            min={piece?.leastMm ?? 1}
            max={piece?.mostMm ?? 100}
            onChange={(mm) => setLoad('thickness', { thicknessMm: mm })}
          />
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
        catalog.surfaces.find((s) => s.id === (load.surface ?? 'wiped'))?.says ?? '',
        (close) => (
          <>
            <Choice
              label="Outside"
              quiet
              options={catalog.surfaces.map((s) => ({ id: s.id, name: s.name }))}
              value={load.surface ?? 'wiped'}
              onChange={(surface) => {
                setLoad('surface', { surface });
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
              edit('oil', (now) => ({ ...now, coat: { ...now.coat, oilG: Math.round(units.fromMass(m) * 10) / 10 } }))
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
      , through the{' '}
      {part('In which fryer', fryer?.name ?? 'fryer', (close) => (
        <Choice
          label="Fryer"
          quiet
          options={fryers.map((f) => ({ id: f.id, name: f.name, note: basketWords(f.basket) }))}
          value={plan.fryerId}
          onChange={(fryerId) => {
            edit('fryer', (now) => ({ ...now, fryerId }));
            close();
          }}
        />
      ))}
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

export function basketWords(b: Fryer['basket']): string {
  return b.shape === 'round'
    ? `round basket, ${(b.diameterMm ?? 0) / 10} cm across`
    : `basket of ${(b.widthMm ?? 0) / 10} by ${(b.depthMm ?? 0) / 10} cm`;
}
