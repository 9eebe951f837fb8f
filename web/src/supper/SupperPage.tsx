import { once } from '../ui/history';
import { useQueryClient } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useEffect, useMemo } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import styled from 'styled-components';
import type { Catalog, Fryer, Plan, Settings, Schemas } from '../api/client';
import {
  dropSupper,
  keepSupper,
  settingsOf,
  useCatalog,
  useFryers,
  usePlans,
  useSettings,
  useSuppers,
} from '../api/queries';
import { Caution } from '../bench/StationCard';
import { DishState } from '../dish/DishState';
import { at } from '../theme/tokens';
import { useOutbox } from '../api/outbox';
import { unitsOf } from '../format/units';
import { Button, MainButton } from '../ui/Button';
import { Blank, Card, Heading, Page, Quiet } from '../ui/layout';
import { Late } from '../ui/Late';
import { Select } from '../ui/Select';
import { complain, say } from '../ui/toast';
import { Bought, List, Two } from './ByTheClock';
import { Lanes } from './Lanes';
import type { Pin } from './LaneTask';
import { OnThePlate } from './OnThePlate';
import { Next, TakeAway } from './TakeAway';
import { SupperSentence } from './SupperSentence';
import { hhmm, nextAt, inAWeek, putOff } from './time';
import { useSheet, useSupper, type Sheet, type Supper } from './useSupper';

const Head = styled.div`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 8px 12px;
  margin-bottom: 4px;
  > p {
    flex: 1 1 160px;
    ${at.phone} {
      display: none;
    }
  }
  select {
    width: auto;
    max-width: 100%;
    font-weight: 600;
  }
`;

const Left = styled.div`
  display: grid;
  gap: 16px;
  min-width: 0;
  ${at.narrow} {
    display: contents;
  }
`;

const Others = styled(Card)`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 14px 22px;
  strong {
    display: block;
    font-weight: 650;
    margin-bottom: 2px;
  }
  button {
    margin-top: 6px;
  }
`;

/** A new supper for one dish. */
const freshOf = (
  plan: Plan,
  { at, tomorrowFrom, people, hands, hobs }: Schemas['UsualEvening'],
): Omit<Supper, 'id'> => ({
  name: 'A supper',
  evening: { serveAt: nextAt(at, tomorrowFrom), people, hands, hobs, warmC: 0, dishes: [{ planId: plan.id }] },
});

/** Finds the supper of the address, or the first. */
export default function SupperPage() {
  const { id } = useParams();
  const suppers = useSuppers();
  const plans = usePlans();
  const fryers = useFryers();
  const catalog = useCatalog();
  const settings = useSettings();
  const queries = useQueryClient();
  const navigate = useNavigate();
  useEffect(() => {
    document.title = 'Supper · Velocrustum';
  }, []);
  const all = [suppers, plans, fryers, catalog, settings];
  const failed = all.find((q) => q.isError && q.data === undefined);
  if (failed)
    return (
      <Page>
        <Blank title="The suppers could not be had">
          <Quiet>{failed.error.message} Everything saved is still there.</Quiet>
          <Button onPress={() => all.forEach((q) => void q.refetch())}>Try again</Button>
        </Blank>
      </Page>
    );
  if (!suppers.data || !plans.data || !fryers.data || !catalog.data || !settings.data)
    return (
      <Page>
        <Quiet role="status">Laying the table…</Quiet>
      </Page>
    );
  const first = plans.data[0];
  const supper = suppers.data.find((s) => s.id === id) ?? (id === undefined ? suppers.data[0] : undefined);
  const begin = () => {
    if (first) void navigate(`/supper/${keepSupper(queries, freshOf(first, catalog.data.usual.evening)).id}`);
  };
  if (!supper)
    return (
      <Page>
        <Blank title={id ? 'This supper is not there' : 'No supper yet'}>
          <Quiet>
            {first
              ? 'Several dishes, sauces and sides for one table: say when it is to be, and the evening is worked back from there.'
              : 'Plan a dish first: a supper is made of them.'}
          </Quiet>
          {first ? (
            <MainButton onPress={begin}>A supper with {first.name}</MainButton>
          ) : (
            <Link to="/plan">To the plan</Link>
          )}
        </Blank>
      </Page>
    );
  return (
    <OneSupper
      key={supper.id}
      {...{ supper, begin }}
      suppers={suppers.data}
      plans={plans.data}
      fryers={fryers.data}
      catalog={catalog.data}
      settings={settings.data}
    />
  );
}

interface Props {
  supper: Supper;
  suppers: Supper[];
  plans: Plan[];
  fryers: Fryer[];
  catalog: Catalog;
  settings: Settings;
  begin: () => void;
}

function OneSupper({ supper, suppers, plans, fryers, catalog, settings, begin }: Props) {
  const mine = useSupper(supper);
  const { draft, edit, setPossible } = mine;
  const { evening } = draft;
  const units = useMemo(() => unitsOf(settings), [settings]);
  // A dish that was changed has it worked out anew; one that was only just made is kept first.
  const versions = evening.dishes.map((d) => plans.find((p) => p.id === d.planId)?.version ?? 0);
  const letters = useOutbox();
  const unsent = evening.dishes.some((d) => letters.some((l) => l.path === `/plans/${d.planId}`));
  const {
    answer: sheet,
    pending,
    problem,
  } = useSheet(unsent ? null : evening, [settingsOf(settings), ...versions].join());
  const untaken = pending || problem !== '';
  useEffect(() => setPossible(!untaken), [untaken, setPossible]);
  const queries = useQueryClient();
  const navigate = useNavigate();
  // In the lanes a dish is called by what it is, where that is one of a kind.
  const cuts = evening.dishes.map((d) => plans.find((p) => p.id === d.planId)?.lots.map((lot) => lot.load.cut) ?? []);
  const names = Object.fromEntries(
    evening.dishes.map((d, i) => [
      d.planId,
      (cuts[i]?.length === 1 && cuts.flat().filter((c) => c === cuts[i]?.[0]).length === 1
        ? catalog.cuts.find((c) => c.id === cuts[i]?.[0])?.plural
        : plans.find((p) => p.id === d.planId)?.name) ?? 'a dish',
    ]),
  );
  const pin: Pin = (run, task, start, side) =>
    edit(run, (e) => {
      const rest = (e.pins ?? []).filter((p) => p.task !== task);
      const toward = side && (side < 0 ? ('sooner' as const) : ('later' as const));
      const pins = start === undefined ? rest : [...rest, { task, start, ...(toward ? { toward } : {}) }];
      return { ...e, pins: pins.length > 0 ? pins : undefined };
    });
  const copy = () => {
    const made = keepSupper(queries, {
      name: `${draft.name.slice(0, 50)}, again`,
      evening: {
        ...evening,
        serveAt: inAWeek(evening.serveAt),
        tables: evening.tables?.map((t) => ({ ...t, at: inAWeek(t.at) })),
        pins: undefined,
        earliest: undefined,
        away: undefined,
      },
    });
    void navigate(`/supper/${made.id}`);
    say(`${made.name} is laid for a week later.`);
  };
  const forget = async () => {
    try {
      await dropSupper(supper.id);
      queries.setQueryData<Supper[]>(['suppers'], (all) => all?.filter((s) => s.id !== supper.id));
      void navigate('/supper');
      say(`${draft.name} is put away.`, {
        label: 'Bring it back',
        run: () => void navigate(`/supper/${keepSupper(queries, { id: supper.id, ...draft, version: 0 }).id}`),
      });
    } catch (cause) {
      complain(cause);
    }
  };
  return (
    <Page>
      <h1 className="quietly">Supper: {draft.name}</h1>
      <Head className="no-print">
        <Heading>Supper</Heading>
        <label>
          <span className="quietly">Which supper</span>
          <Select value={supper.id} onChange={(e) => void navigate(`/supper/${e.target.value}`)}>
            {suppers.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          </Select>
        </label>
        <DishState dish={mine} />
        <Button onPress={begin}>
          <Plus size={18} aria-hidden /> Another
        </Button>
      </Head>
      <SupperSentence
        name={draft.name}
        rename={mine.rename}
        {...{ evening, edit, plans, fryers, catalog, units, sheet }}
      />
      {problem ? (
        <Caution role="alert">
          {problem}{' '}
          {(evening.pins ?? []).length > 0 ? (
            <Button
              onPress={() =>
                edit(once, (e) => {
                  const pins = (e.pins ?? []).slice(0, -1);
                  return { ...e, pins: pins.length > 0 ? pins : undefined };
                })
              }
            >
              Let it go
            </Button>
          ) : null}
        </Caution>
      ) : null}
      {sheet ? (
        <Late pending={pending} refused={false}>
          <Two>
            <Left>
              <InTheWay sheet={sheet} edit={edit} />
              <Card aria-label="Lanes">
                <Lanes {...{ sheet, fryers, names, pending, problem, pin }} />
              </Card>
              <Choices {...{ sheet }} edit={edit} />
              <List sheet={sheet} pin={pin} />
              <Bought sheet={sheet} />
            </Left>
            <Left>
              <OnThePlate sheet={sheet} pending={pending} />
              <Next id={supper.id} sheet={sheet} />
              <TakeAway
                {...{ supper: draft, copy }}
                id={supper.id}
                later={(serveAt) => edit('now', (e) => putOff(e, serveAt))}
                forget={() => void forget()}
              />
            </Left>
          </Two>
        </Late>
      ) : problem ? null : (
        <Quiet role="status">Working it back from the table…</Quiet>
      )}
    </Page>
  );
}

/** What stands in the way, what is broken and what is shorter than its best. */
function InTheWay({ sheet, edit }: { sheet: Sheet; edit: ReturnType<typeof useSupper>['edit'] }) {
  return (
    <>
      {sheet.why ? (
        <Caution role="status">
          {sheet.why}{' '}
          <Button onPress={() => edit('later', (e) => putOff(e, sheet.serveAt))}>Serve at {hhmm(sheet.serveAt)}</Button>
        </Caution>
      ) : null}
      {sheet.over?.map((text) => (
        <Caution key={text} role="status">
          {text}
        </Caution>
      ))}
      {sheet.gapSays ? <Quiet>{sheet.gapSays}</Quiet> : null}
      {sheet.shorter.map((text) => (
        <Caution key={text} role="status">
          {text}
        </Caution>
      ))}
    </>
  );
}

/** Other orders and hands with what they would cost; one tap takes them. */
function Choices({ sheet, edit }: { sheet: Sheet; edit: ReturnType<typeof useSupper>['edit'] }) {
  return (
    <Others aria-label="Other ways" className="no-print">
      {sheet.others.map((o, i) => (
        <div key={i}>
          <strong>{o.name}</strong>
          <Quiet>
            {o.says} Begin at {hhmm(o.startAt)}.
          </Quiet>
          <Button
            onPress={() =>
              edit(once, (e) => (o.order ? { ...e, order: o.order } : { ...e, hands: o.hands ?? e.hands }))
            }
          >
            Take it
          </Button>
        </div>
      ))}
      {sheet.tight.map((t) => (
        <div key={t.at}>
          <strong>Tightest moment {hhmm(t.at)}</strong>
          <Quiet>{t.says}</Quiet>
        </div>
      ))}
    </Others>
  );
}
