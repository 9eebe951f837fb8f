import { useQueryClient } from '@tanstack/react-query';
import { Plus, Redo2, Undo2 } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import styled from 'styled-components';
import type { Catalog, Fryer, Plan, Schemas, Settings, SimulationRequest } from '../api/client';
import { savePlan, useCatalog, useFryers, usePantry, usePlans, useSettings } from '../api/queries';
import { unitsOf } from '../format/units';
import { inputOf, simulated } from '../plan/request';
import { useLatest } from '../plan/useLatest';
import { at, type } from '../theme/tokens';
import { Button, IconButton } from '../ui/Button';
import { useHistory } from '../ui/history';
import { Blank, Card, Page, Quiet, Title } from '../ui/layout';
import { Stepper } from '../ui/Stepper';
import { unsent, useKept } from '../ui/useKept';
import { Controls } from './Controls';
import { PlateTable } from './PlateTable';
import { SaltProfile } from './Salt';
import { Skipped } from './Skipped';
import { useBench, type Bench } from './useBench';

const Head = styled.div`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 8px 12px;
  margin-bottom: 4px;
  h1 {
    flex: 1 1 300px;
  }
`;

const Select = styled.select`
  min-height: 44px;
  max-width: 100%;
  padding: 0 12px;
  border: 1px solid var(--line);
  border-radius: 10px;
  background: var(--surface);
  color: var(--ink);
  font: 600 16px/1 ${type.plain};
`;

const Row = styled.div`
  margin: 14px 0;
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: start;
  > * {
    flex: 1 1 280px;
    max-width: 430px;
    min-width: 0;
    display: grid;
    gap: 14px;
  }
  ${at.phone} {
    > * {
      max-width: none;
    }
  }
`;

// What is done at one place stands in one column; the numbers give the order.
const places = [['cut', 'dry'], ['salt'], ['marinade'], ['coat', 'finish']];

const StationCard = styled(Card)`
  display: grid;
  gap: 11px;
  padding: 16px;
`;

const Name = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  h2 {
    font: 600 15px/1 ${type.plain};
    letter-spacing: 0;
    color: var(--quiet);
  }
`;

const Answer = styled.p`
  font: 700 24px/1.18 ${type.loud};
  letter-spacing: -0.012em;
  text-wrap: pretty;
`;

const Caution = styled.p`
  border-left: 4px solid var(--lemon);
  padding-left: 10px;
  font-size: 14.5px;
`;

const Does = styled.p`
  font-weight: 600;
  font-size: 15px;
`;

const More = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 4px 0 18px;
  button {
    min-height: 52px;
  }
`;

const Below = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  gap: 14px;
  align-items: start;
  ${at.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Sum = styled(Card)`
  display: grid;
  gap: 10px;
  align-content: start;
  [role='group'] {
    max-width: 240px;
  }
`;

const Totals = styled.dl`
  display: flex;
  flex-wrap: wrap;
  gap: 10px 26px;
  margin: 8px 0 0;
  dt {
    color: var(--quiet);
    font-size: 14px;
  }
  dd {
    margin: 0;
    font: 700 22px/1.2 ${type.loud};
  }
`;

/** Finds the dish of the address, or the latest. */
export default function BenchPage() {
  const { id } = useParams();
  const plans = usePlans();
  const fryers = useFryers();
  const catalog = useCatalog();
  const settings = useSettings();
  const pantry = usePantry();
  const latest = useLatest(plans.data);
  const here = id ?? latest;
  useEffect(() => {
    document.title = 'Bench · Velocrustum';
  }, []);
  const all = [plans, fryers, catalog, settings, pantry];
  const failed = all.find((q) => q.isError);
  if (failed)
    return (
      <Page>
        <Blank title="The bench could not be had">
          <Quiet>{failed.error.message} Everything saved is still there.</Quiet>
          <Button onPress={() => all.forEach((q) => void q.refetch())}>Try again</Button>
        </Blank>
      </Page>
    );
  if (!plans.data || !fryers.data || !catalog.data || !settings.data || !pantry.data)
    return (
      <Page>
        <Quiet role="status">Clearing the bench…</Quiet>
      </Page>
    );
  const plan = plans.data.find((p) => p.id === here);
  const fryer = fryers.data.find((f) => f.id === plan?.fryerId);
  if (!plan || !fryer)
    return (
      <Page>
        <Blank title="No dish on the bench">
          <Quiet>Plan one first: the bench works from its pieces.</Quiet>
        </Blank>
      </Page>
    );
  return (
    <OneBench
      key={plan.id}
      plan={plan}
      plans={plans.data}
      fryer={fryer}
      catalog={catalog.data}
      settings={settings.data}
      pantry={pantry.data.ingredients}
    />
  );
}

interface Props {
  plan: Plan;
  plans: Plan[];
  fryer: Fryer;
  catalog: Catalog;
  settings: Settings;
  pantry: Schemas['Ingredient'][];
}

const empty: Bench = { drying: {}, coating: {} };

/** Everything before the basket, in the order of the hands. */
function OneBench({ plan, plans, fryer, catalog, settings, pantry }: Props) {
  const [opened] = useState(plan);
  const [saved] = useState(() => inputOf(plan));
  const [start] = useState(() => (unsent(plan.id, plan.version) as typeof saved | null) ?? saved);
  const { history, edit, undo, redo } = useHistory<Bench>(start.bench ?? empty);
  const bench = history.now;
  const queries = useQueryClient();
  const navigate = useNavigate();
  const units = useMemo(() => unitsOf(settings), [settings]);
  const request = useMemo<SimulationRequest>(
    () => ({
      load: opened.load,
      // A marinade's sugar is worked out again; what was said by hand stays.
      coat: opened.bench?.marinade ? { ...opened.coat, sugarPct: 0 } : opened.coat,
      program: opened.program,
      fryer: simulated(fryer),
      guidance: settings.guidance,
      ...(settings.guidance === 'stricter' ? { guidanceC: settings.guidanceC } : {}),
    }),
    [opened, fryer, settings.guidance, settings.guidanceC],
  );
  const { answer, pending, problem } = useBench(request, bench);
  // What the bench does goes into the plan, once it is worked out.
  const [applied, setApplied] = useState(start);
  const worked = !pending && !problem && answer !== null && history.past.length + history.future.length > 0;
  // What was cut and coated is what the plan has from then on: not again.
  const done: Bench = {
    ...bench,
    ...(bench.cutting ? { cutting: { ...bench.cutting, as: undefined, pieces: undefined } } : {}),
    coating: { ...bench.coating, coat: undefined },
  };
  const now = worked ? { ...applied, bench: done, load: answer.load, coat: answer.coat } : applied;
  if (worked && JSON.stringify(now) !== JSON.stringify(applied)) setApplied(now);
  const kept = useKept({
    key: plan.id,
    version: opened.version,
    saved,
    now,
    save: async (version, input) => {
      const got = await savePlan(opened.id, version, input);
      queries.setQueryData<Plan[]>(['plans'], (all) => [got, ...(all ?? []).filter((p) => p.id !== got.id)]);
      return got.version;
    },
  });
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (!(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== 'z') return;
      if (e.target instanceof HTMLInputElement && e.target.type === 'text') return;
      e.preventDefault();
      if (e.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [undo, redo]);

  // A button that is gone takes the focus with it; it goes to what came.
  const focus = useRef('');
  useEffect(() => {
    const there = focus.current ? document.getElementById(`station-${focus.current}`) : null;
    if (!there) return;
    there.focus();
    focus.current = '';
  });
  const add: [string, string, boolean, (b: Bench) => Bench][] = [
    ['cut', 'Cutting', !bench.cutting, (b) => ({ ...b, cutting: { spreadPct: 8 } })],
    [
      'salt',
      'Salt',
      !bench.salting,
      (b) => ({ ...b, salting: { school: 'dry', salt: 'salt-fine', targetPct: 1, hours: 2 } }),
    ],
    ['marinade', 'A marinade', !bench.marinade, (b) => ({ ...b, marinade: { items: [], hours: 2 } })],
    ['finish', 'A finish or sauce', !bench.finish, (b) => ({ ...b, finish: [] })],
  ];
  const drop: Record<string, (b: Bench) => Bench> = {
    cut: (b) => ({ ...b, cutting: undefined }),
    salt: (b) => ({ ...b, salting: undefined }),
    marinade: (b) => ({ ...b, marinade: undefined }),
    finish: (b) => ({ ...b, finish: undefined }),
  };
  const titles: Record<string, string> = { marinade: 'Marinate', finish: 'Finish' };
  // A step that was just added has its place before it has its answer.
  const stations = answer
    ? [
        ...answer.stations,
        ...(['marinade', 'finish'] as const)
          .filter((k) => bench[k] && !answer.stations.some((s) => s.id === k))
          .map((k) => ({
            id: k,
            title: titles[k] ?? k,
            headline: 'What is in it?',
            why: 'Add what you have; amounts as you would say them: 2 tbsp, ½ cup, 120 g.',
            does: '',
            cautions: [] as string[],
            without: { load: answer.load, coat: answer.coat },
          })),
      ]
    : [];

  return (
    <Page>
      <Head>
        <Title>Bench</Title>
        <label>
          <span className="quietly">Dish</span>
          <Select value={plan.id} onChange={(e) => void navigate(`/bench/${e.target.value}`)}>
            {plans.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </Select>
        </label>
        <Quiet role="status">
          {kept === 'kept' ? 'Kept' : kept === 'keeping' ? 'Keeping…' : 'Kept on this device only'}
        </Quiet>
        <IconButton label="Undo" isDisabled={history.past.length === 0} onPress={undo}>
          <Undo2 size={18} aria-hidden />
        </IconButton>
        <IconButton label="Redo" isDisabled={history.future.length === 0} onPress={redo}>
          <Redo2 size={18} aria-hidden />
        </IconButton>
        <Button onPress={() => void navigate(`/plan/${plan.id}`)}>To the race</Button>
      </Head>
      <Quiet>Everything before the basket, worked out from the pieces of this dish and fed into its forecast.</Quiet>
      {problem ? <Caution role="alert">{problem}</Caution> : null}
      {answer ? (
        <>
          <Row role="group" aria-label="Stations" aria-busy={pending}>
            {places.map((place) => {
              const here = stations.filter((s) => place.includes(s.id));
              if (here.length === 0) return null;
              return (
                <div key={place[0]}>
                  {here.map((s) => (
                    <StationCard key={s.id} id={`station-${s.id}`} tabIndex={-1} aria-label={s.title}>
                      <Name>
                        <h2>
                          {stations.indexOf(s) + 1}. {s.title}
                        </h2>
                        {drop[s.id] && (s.id !== 'cut' || bench.cutting) ? (
                          <Button
                            onPress={() => {
                              focus.current = 'more';
                              edit(`drop ${s.id}`, drop[s.id] ?? ((b) => b));
                            }}
                          >
                            Leave it out
                          </Button>
                        ) : null}
                      </Name>
                      <Answer>{s.headline}</Answer>
                      <Quiet>{s.why}</Quiet>
                      {s.id === 'salt' && answer.profile ? <SaltProfile profile={answer.profile} /> : null}
                      {s.does ? <Does>{s.does}</Does> : null}
                      {s.cautions.map((c) => (
                        <Caution key={c}>{c}</Caution>
                      ))}
                      <Controls
                        station={s.id}
                        bench={bench}
                        set={edit}
                        answer={answer}
                        pantry={pantry}
                        catalog={catalog}
                        units={units}
                      />
                      {s.id === 'cut' || s.id === 'finish' || s.does === '' ? null : (
                        <Skipped
                          withIt={{ ...request, load: answer.load, coat: answer.coat }}
                          without={{ ...request, load: s.without.load, coat: s.without.coat }}
                        />
                      )}
                    </StationCard>
                  ))}
                </div>
              );
            })}
          </Row>
          <More id="station-more" tabIndex={-1}>
            {add
              .filter(([, , can]) => can)
              .map(([id, name, , change]) => (
                <Button
                  key={id}
                  onPress={() => {
                    focus.current = id;
                    edit(`add ${name}`, change);
                  }}
                >
                  <Plus size={18} aria-hidden /> {name}
                </Button>
              ))}
          </More>
          <Below>
            <Sum aria-label="On the plate">
              <Name>
                <h2>On the plate, by what is kept and not by what was mixed</h2>
              </Name>
              <Stepper
                label="Servings"
                value={bench.servings ?? 2}
                min={1}
                max={40}
                onChange={(servings) => edit('servings', (b) => ({ ...b, servings }))}
              />
              <PlateTable plate={answer.plate} deep={answer.deepFried} units={units} />
            </Sum>
            <Sum aria-label="Salt and energy">
              <Name>
                <h2>Salt, allergens, energy</h2>
              </Name>
              <Totals>
                <div>
                  <dt>Salt in the edible part</dt>
                  <dd>{answer.saltPct.toFixed(1)} %</dd>
                </div>
                {Object.entries(answer.saltFrom)
                  .filter(([, g]) => g > 0.05)
                  .map(([from, g]) => (
                    <div key={from}>
                      <dt>from the {from}</dt>
                      <dd>{g.toFixed(1)} g</dd>
                    </div>
                  ))}
                <div>
                  <dt>Energy</dt>
                  <dd>{(answer.energyWh / 1000).toFixed(2)} kWh</dd>
                </div>
                <div>
                  <dt>in a pan of oil</dt>
                  <dd>{(answer.panWh / 1000).toFixed(2)} kWh</dd>
                </div>
                <div>
                  <dt>in an oven</dt>
                  <dd>{(answer.ovenWh / 1000).toFixed(2)} kWh</dd>
                </div>
              </Totals>
              <Stepper
                label="Meat or fish, price of 1 kg"
                value={bench.prices?.meatPerKg ?? 0}
                min={0}
                max={10000}
                step={0.5}
                onChange={(meatPerKg) => edit('meat price', (b) => ({ ...b, prices: { ...b.prices, meatPerKg } }))}
              />
              <Stepper
                label="Electricity, price of 1 kWh"
                value={bench.prices?.perKWh ?? 0}
                min={0}
                max={1000}
                step={0.1}
                onChange={(perKWh) => edit('electricity', (b) => ({ ...b, prices: { ...b.prices, perKWh } }))}
              />
              {answer.cost === undefined ? null : (
                <p>
                  It costs <b>{answer.cost.toFixed(2)}</b> in all,{' '}
                  <b>{(answer.cost / (bench.servings ?? 2)).toFixed(2)}</b> a serving, by your prices. Those of
                  ingredients are in the pantry.
                </p>
              )}
              <Quiet>
                {answer.allergens.length > 0
                  ? `Holds ${answer.allergens.join(', ')}.`
                  : 'None of the usual allergens in food, coat or marinade.'}
              </Quiet>
            </Sum>
          </Below>
        </>
      ) : problem ? null : (
        <Quiet role="status">Working it out…</Quiet>
      )}
    </Page>
  );
}
