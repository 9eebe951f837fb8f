import { useQueryClient } from '@tanstack/react-query';
import { ArrowLeft } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Label, TextArea, TextField } from 'react-aria-components';
import { Link, useNavigate, useParams } from 'react-router';
import styled from 'styled-components';
import type { CookEntry, Schemas } from '../api/client';
import {
  addPlan,
  deleteCook,
  fryers as fryersQuery,
  restoreCook,
  saveOutcome,
  startCook,
  getCook,
  plans as plansQuery,
  takeBack,
  useCatalog,
  useCook,
  useSettings,
} from '../api/queries';
import { clock, day, minutes, unitsOf } from '../format/units';
import { alike } from '../plan/program';
import { Race } from '../race/Race';
import { between } from '../race/scale';
import { Button, MainButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { fieldBox, labelled } from '../ui/field';
import { Blank, Card, Page, Quiet, Title } from '../ui/layout';
import { complain, say } from '../ui/toast';
import { KeptState } from '../ui/KeptState';
import { unsent, useKept } from '../ui/useKept';
import { Inside, insideOf } from './Inside';
import { NextTime } from './NextTime';
import { NotShown } from './NotShown';
import { Bar, Columns, Stack, Table } from './parts';
import { Pictures } from './Pictures';
import { Tables } from './Tables';
import { crustWords, insideWords } from './words';

const Form = styled(Card)`
  display: grid;
  gap: 14px;
`;

const Area = styled(TextField)`
  ${labelled}
  textarea {
    ${fieldBox}
    min-height: 74px;
    padding: 9px 12px;
    resize: vertical;
  }
`;

const Told = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 5px;
  li {
    display: grid;
    grid-template-columns: 78px 1fr;
  }
  b {
    font-weight: 600;
  }
`;

type Outcome = Schemas['Outcome'];

/** One finished cook: planned beside happened, and how it came out. */
export default function EntryPage() {
  const { id = '' } = useParams();
  const cook = useCook(id);
  useEffect(() => {
    document.title = 'Logbook · Velocrustum';
  }, []);
  if (cook.isError)
    return (
      <Page>
        <Blank title="This cook is not in the logbook">
          <Quiet>It may have been deleted on another device.</Quiet>
          <Link to="/logbook">To the logbook</Link>
        </Blank>
      </Page>
    );
  if (!cook.data)
    return (
      <Page>
        <Quiet role="status">Opening it…</Quiet>
      </Page>
    );
  return <Entry key={id} cook={cook.data} />;
}

function Entry({ cook }: { cook: CookEntry }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const settings = useSettings().data;
  const cut = useCatalog().data?.cuts.find((c) => c.id === cook.plan.load.cut);
  const units = unitsOf(settings ?? { temperature: 'C', mass: 'g' });
  const [outcome, setOutcome] = useState<Outcome>(
    () => (unsent(`outcome.${cook.id}`)?.input as Outcome | undefined) ?? cook.outcome,
  );
  const kept = useKept({
    key: `outcome.${cook.id}`,
    version: cook.outcomeVersion,
    saved: cook.outcome,
    now: outcome,
    save: async (version, now) => {
      const got = await saveOutcome(cook.id, version, now);
      queries.setQueryData(['cook', cook.id], got);
      await queries.invalidateQueries({ queryKey: ['cooks'] });
      return got.outcomeVersion;
    },
    newest: async () => (await getCook(cook.id)).outcomeVersion,
  });

  const loaded = cook.loadedAt ? Date.parse(cook.loadedAt) : null;
  const actual = loaded && cook.finishedAt ? (Date.parse(cook.finishedAt) - loaded) / 60000 : null;
  const planned = cook.plan.program.stages.reduce((s, st) => s + st.minutes, 0);
  const minuteOf = (iso: string) => (loaded ? (Date.parse(iso) - loaded) / 60000 : 0);
  const tell = (e: CookEntry['events'][number]) => {
    const m = minuteOf(e.at);
    const read =
      e.kind === 'probe'
        ? `; the estimate was ${units.temperature(between(cook.forecast.timeline, m, (x) => x.coreC))}`
        : '';
    return `${e.says.charAt(0).toUpperCase()}${e.says.slice(1)}${read}`;
  };
  const rows: [string, string, string][] = [
    ['In the basket', `${minutes(planned)} min`, actual === null ? '–' : `${minutes(actual)} min`],
    ['Safe by, 95 loads in 100', by(cook.planned.chance?.safeByMin), by(cook.forecast.chance?.safeByMin)],
    ['Crisp at', by(cook.planned.crispAtMin), by(cook.forecast.crispAtMin)],
    [
      'Inside at the end, estimate',
      units.temperature(cook.planned.end.coreC),
      units.temperature(cook.forecast.end.coreC),
    ],
    ['Crust at the end, of 100', `${Math.floor(cook.planned.end.crust)}`, `${Math.floor(cook.forecast.end.crust)}`],
    [
      'Juice kept, estimate',
      `${Math.floor(cook.planned.end.juiceKeptPct)} %`,
      `${Math.floor(cook.forecast.end.juiceKeptPct)} %`,
    ],
  ];
  // The dish as it was cooked: that of today, if it still is that one, or a new one.
  const planAgain = async () => {
    try {
      const plans = await queries.query(plansQuery);
      const fryers = await queries.query(fryersQuery);
      const today = plans.find((p) => p.id === cook.planId);
      if (
        today &&
        cook.baskets === 1 &&
        alike(today.program, cook.plan.program) &&
        today.load.cut === cook.plan.load.cut
      ) {
        await navigate(`/plan/${today.id}`);
        return;
      }
      const fryerId = fryers.find((f) => f.id === cook.plan.fryerId)?.id ?? fryers[0]?.id ?? '';
      const made = addPlan(queries, { ...cook.plan, fryerId, name: `${cook.name}, as cooked`.slice(0, 80) });
      await navigate(`/plan/${made.id}`);
    } catch (cause) {
      complain(cause);
    }
  };
  const remove = async () => {
    try {
      await deleteCook(cook.id);
      await queries.invalidateQueries({ queryKey: ['cooks'] });
      await navigate('/logbook');
      say(`${cook.name} is out of the logbook.`, {
        label: 'Bring it back',
        run: () => void restoreCook(cook.id).then(() => queries.invalidateQueries({ queryKey: ['cooks'] }), complain),
      });
    } catch (cause) {
      complain(cause);
    }
  };
  const goOn = async () => {
    const out = cook.events.at(-1);
    if (!out) return;
    try {
      await takeBack(cook.id, out.id);
      await Promise.all([
        queries.invalidateQueries({ queryKey: ['live'] }),
        queries.invalidateQueries({ queryKey: ['cooks'] }),
      ]);
      await navigate('/cook');
    } catch (cause) {
      complain(cause);
    }
  };
  const next = async () => {
    try {
      await startCook(cook.planId ?? '', cook.basket + 1, cook.session);
      await queries.invalidateQueries({ queryKey: ['live'] });
      await navigate('/cook');
    } catch (cause) {
      complain(cause);
    }
  };
  const recent = cook.finishedAt ? Date.parse(cook.now) - Date.parse(cook.finishedAt) < 30 * 60000 : false;
  const set = (change: Partial<Outcome>) => setOutcome((o) => ({ ...o, ...change }));

  return (
    <Page>
      <p>
        <Link to="/logbook">
          <ArrowLeft size={15} aria-hidden /> Logbook
        </Link>
      </p>
      <Bar>
        <Title>{cook.name}</Title>
        {cook.finishedAt && recent ? <Button onPress={() => void goOn()}>Not done after all: go on</Button> : null}
        {cook.finishedAt && recent && cook.planId && cook.basket < cook.baskets ? (
          <MainButton onPress={() => void next()}>
            Start basket {cook.basket + 1} of {cook.baskets}
          </MainButton>
        ) : null}
        <Button onPress={() => void planAgain()}>Plan it again</Button>
        {cook.finishedAt ? (
          <Button onPress={() => void remove()}>Delete</Button>
        ) : (
          <Button onPress={() => void navigate('/cook')}>It is still on: to the cook</Button>
        )}
      </Bar>
      <Quiet>
        {day(cook.startedAt)}, {clock(cook.startedAt)} · {cook.plan.load.pieces}{' '}
        {cook.plan.load.pieces === 1 ? cut?.name : cut?.plural} of {units.mass(cook.plan.load.pieceMassG)} ·{' '}
        {cook.fryer.name}
        {cook.baskets > 1 ? ` · basket ${cook.basket} of ${cook.baskets}` : ''}
      </Quiet>
      <Columns>
        <Stack>
          {actual !== null && cut ? (
            <Card aria-label="As it happened">
              <h2>As it happened, by the model</h2>
              <Race
                answer={cook.forecast}
                stages={cook.actual.stages}
                turns={cook.actual.turns ?? []}
                faces={cut.faces}
                units={units}
              />
            </Card>
          ) : null}
          {actual !== null ? <Inside cook={insideOf(cook, actual)} units={units} /> : null}
          <Card>
            <h2>Planned and happened</h2>
            <Table>
              <thead>
                <tr>
                  <th scope="col">
                    <span className="quietly">What</span>
                  </th>
                  <th scope="col">planned</th>
                  <th scope="col">happened</th>
                </tr>
              </thead>
              <tbody>
                {rows.map(([what, plan, real]) => (
                  <tr key={what}>
                    <th scope="row">{what}</th>
                    <td>{plan}</td>
                    <td>{real}</td>
                  </tr>
                ))}
              </tbody>
            </Table>
          </Card>
        </Stack>
        <Stack>
          {loaded === null ? null : <NotShown shown={cook.shown} what={cook.name} />}
          <Form aria-label="How it came out">
            <h2>How did it come out?</h2>
            <Choice
              label="Crust"
              row
              options={Object.entries(crustWords).map(([id, name]) => ({
                id: id as NonNullable<Outcome['crust']>,
                name,
              }))}
              value={outcome.crust ?? null}
              onChange={(crust) => set({ crust })}
            />
            <Choice
              label="Inside"
              row
              options={Object.entries(insideWords).map(([id, name]) => ({
                id: id as NonNullable<Outcome['inside']>,
                name,
              }))}
              value={outcome.inside ?? null}
              onChange={(inside) => set({ inside })}
            />
            <Area value={outcome.note ?? ''} maxLength={2000} onChange={(note) => set({ note })}>
              <Label>Note</Label>
              <TextArea />
            </Area>
            <Area value={outcome.change ?? ''} maxLength={2000} onChange={(change) => set({ change })}>
              <Label>Next time I would change</Label>
              <TextArea />
            </Area>
            <KeptState kept={kept} instead={kept.state === 'unsent' ? undefined : 'Kept as you write.'} />
          </Form>
          <Pictures cook={cook.id} name={cook.name} pictures={cook.pictures} />
          <NextTime cook={cook} />
          <Card>
            <h2>What was said</h2>
            <Told>
              {cook.events.map((e, i) => (
                <li key={i}>
                  <b>{loaded ? `${minutes(minuteOf(e.at))} min` : clock(e.at)}</b>
                  <span>{tell(e)}</span>
                </li>
              ))}
            </Told>
          </Card>
          {loaded === null ? null : <Tables id={cook.id} />}
        </Stack>
      </Columns>
    </Page>
  );
}

const by = (m: number | null | undefined) => (m == null ? 'not in time' : `${Math.ceil(m)} min`);
