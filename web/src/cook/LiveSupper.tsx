import { useEffect, useState } from 'react';
import styled from 'styled-components';
import type { Catalog, Settings } from '../api/client';
import { limitOf } from '../api/limits';
import { useProbes, type Doing, type LiveBasket, type LiveEvening, type Ticking } from '../api/live';
import { drawerOf } from '../api/place';
import { clock, unitsOf } from '../format/units';
import { at, type } from '../theme/tokens';
import { Quiet } from '../ui/layout';
import { Select } from '../ui/Select';
import { Tabs } from '../ui/Tabs';
import { Answers, useLate } from './Answers';
import { Big, Half } from './Buttons';
import { Countdown } from './Countdown';
import { InsideCard, NotShown, useInside } from './InsideCard';
import { Grid, Side } from './Live';
import { LiveLanes } from './LiveLanes';
import { ProbeReading } from './ProbeReading';
import { SaidList } from './SaidList';
import { takesOut } from './takesOut';
import { useAwake } from './useAwake';
import { useCalling } from './useCalling';
import { usePress } from './usePress';
import { stillAsks, useQuestion } from './useQuestion';
import { useClock } from './useClock';
import { useTakingBack, useTellingOf, type Told } from './useTelling';
import { minuteOf, ofBasket, type Watched } from './watched';

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 18px;
  font-size: 18px;
  > p {
    flex: 1 1 320px;
  }
  b {
    font-weight: 650;
    color: var(--lemon);
  }
  select {
    width: auto;
    min-height: 64px;
  }
`;

const Now = styled.div`
  grid-area: now;
`;

/** On a wide screen what is tapped stands beside, on a narrow one under what it is for. */
const Beside = styled.div`
  display: grid;
  gap: 12px;
  ${at.narrow} {
    display: none;
  }
`;

const Under = styled.div`
  display: none;
  ${at.narrow} {
    display: grid;
    gap: 12px;
    margin-top: 14px;
  }
`;

const Coming = styled.div`
  grid-area: next;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 16px;
  align-content: start;
  min-width: 0;
`;

const Next = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 12px;
  ${at.phone} {
    grid-template-columns: minmax(0, 1fr);
  }
  li {
    background: var(--surface);
    border-radius: 14px;
    padding: 12px 16px;
    color: var(--quiet);
    font-size: 16px;
  }
  strong {
    display: block;
    font: 650 20px/1.2 ${type.loud};
    color: var(--ink);
  }
`;

const DRAWER = drawerOf('shows');
const ALL = 'all';
const SOON_MS = 15 * 60_000;

/** Which lane this device shows: the one at the hob only what is on it. */
function useShows() {
  const [lane, setLane] = useState(() => localStorage.getItem(DRAWER) ?? ALL);
  return [
    lane,
    (to: string) => {
      localStorage.setItem(DRAWER, to);
      setLane(to);
    },
  ] as const;
}

interface Props {
  evening: LiveEvening;
  catalog: Catalog;
  settings: Settings;
  ticking: Ticking;
  voice: boolean;
}

const when = (d: Doing, now: number) => {
  const left = Date.parse(d.until) - now;
  if (left <= 0) return 'now';
  return left < SOON_MS ? `in ${Math.max(1, Math.round(left / 60_000))} min` : clock(d.until);
};

/** A supper that is led through: one thing now, three next, the lanes, and what can be seen and said. */
export function LiveSupper({ evening, catalog, settings, ticking, voice }: Props) {
  const now = useClock(ticking);
  const telling = useTellingOf(evening, ticking);
  const { waiting } = telling;
  const late = useLate(waiting, now);
  const takeBack = useTakingBack();
  const probes = useProbes();
  const units = unitsOf(settings);
  const [lane, show] = useShows();
  const [chosen, choose] = useState<string | null>(null);
  useAwake(true);

  const { course } = evening;
  const open = [...course.now, ...course.next];
  const rest = course.tasks.filter((t) => t.action && t.state !== 'done' && !open.some((o) => o.id === t.id));
  const mine = [...open, ...rest].filter((t) => lane === ALL || t.place === lane);
  const first = mine[0];
  const leftMs = first ? Date.parse(first.until) - now : null;
  useCalling(
    `${evening.said.length}${first?.id ?? ''}`,
    leftMs !== null && leftMs <= 0,
    settings.chime,
    voice && first ? first.title : '',
  );
  useEffect(() => {
    document.title = `${first?.title ?? evening.name} · Velocrustum`;
  }, [first?.title, evening.name]);

  const frying = evening.baskets
    .filter((b) => b.loadedAt && !b.outAt)
    .filter((b) => lane === ALL || b.fryerId === lane || lane === 'hob');
  const basket =
    frying.find((b) => b.key === chosen) ?? frying.find((b) => b.key === first?.of) ?? frying[0] ?? undefined;
  const food = basket && lane !== 'hob' ? ofBasket(basket, catalog.usual.moreMin) : null;
  const tellIt = (w: Watched) => (what: string, event: Told) => telling.tell(w, what, event);
  const { ask, question } = useQuestion();
  const takeOut = takesOut(ask, (w) => telling.tell(w, 'it is out', { kind: 'out' }));
  const act = (d: Doing) => {
    const of = evening.baskets.find((b) => b.key === d.of);
    const go = () => {
      if (!of) telling.done(d.id, `${d.title}: done`);
      else telling.tell(of, (d.label ?? '').toLowerCase(), { kind: d.action as Told['kind'] });
    };
    if (of && d.action === 'out') takeOut(ofBasket(of, catalog.usual.moreMin), now);
    else if (d.asks && stillAsks(d.asks, now))
      ask({ title: d.title, says: d.asks.says, keep: 'Not yet', goOn: d.label ?? 'Done', go });
    else go();
  };
  const pressed = (d: Doing) =>
    waiting.some((l) => {
      const body = l.body as { kind: string; task?: string };
      const of = evening.baskets.find((b) => b.key === d.of);
      return of ? l.path === `/cooks/${of.cookId}/events` && body.kind === d.action : body.task === d.id;
    });
  const lanes = [...new Set(course.tasks.filter((t) => t.action).map((t) => t.place))].filter((p) => p !== 'none');
  const nameOf = (place: string) => course.tasks.find((t) => t.place === place)?.where ?? place;
  const others = mine.slice(1, 4);
  const said = [
    ...evening.said,
    ...late.map((l) => ({ id: l.id, title: l.what, at: l.at, waits: true as const, cookId: undefined })),
  ];
  const isOpen = (d: Doing) =>
    course.tasks.some((t) => t.id === d.id && t.state !== 'done' && t.action === d.action) && !pressed(d);
  const press = usePress(first?.label ? { ...first, label: first.label } : undefined, { ask, open: isOpen, act });
  const acts = (
    <>
      {press.shown ? (
        <Big isDisabled={pressed(press.shown)} {...press.handlers}>
          {press.shown.label}
        </Big>
      ) : null}
      {course.now
        .filter((d) => d.id !== first?.id && d.label && mine.some((m) => m.id === d.id))
        .map((d) => (
          <Half key={d.id} isDisabled={pressed(d)} onPress={() => act(d)}>
            {d.title}: {d.label?.toLowerCase()}
          </Half>
        ))}
    </>
  );
  const raw = evening.baskets.filter((b) => b.outAt && b.shown && !b.shown.safe);
  return (
    <>
      <Head>
        <p role="status">
          {evening.name} · {course.lateMin >= 1 || raw.length > 0 ? <b>{course.says}</b> : course.says}
        </p>
        <label>
          <Quiet as="span">This device shows </Quiet>
          <Select value={lane} onChange={(e) => show(e.target.value)}>
            <option value={ALL}>everything</option>
            {lanes.map((p) => (
              <option key={p} value={p}>
                {nameOf(p)} only
              </option>
            ))}
          </Select>
        </label>
      </Head>
      <Grid>
        <Now>
          <Quiet>{first ? first.where : ''}</Quiet>
          {first ? (
            <Countdown title={first.title} detail={first.detail} leftMs={leftMs} caution={first.caution} />
          ) : (
            <Countdown title={lane === ALL ? 'All is on its way' : 'Nothing more here'} detail="" leftMs={null} />
          )}
          <Under>{acts}</Under>
        </Now>
        <Coming>
          <Next aria-label="Next">
            {others.map((d) => (
              <li key={d.id}>
                {course.now.some((o) => o.id === d.id) ? 'other hands · ' : ''}
                {when(d, now)} · {d.where}
                <strong>{d.title}</strong>
              </li>
            ))}
          </Next>
          <LiveLanes evening={evening} nowMs={now} lane={lane === ALL ? null : lane} />
        </Coming>
        <Side>
          <Beside>{acts}</Beside>
          {raw.map((b) => (
            <Out
              key={b.key}
              basket={b}
              {...{ catalog, units }}
              note={(c) => telling.tell(b, 'probe reading', { kind: 'probe', value: c })}
            />
          ))}
          {frying.length > 1 && food ? (
            <Tabs
              large
              label="Which basket"
              tabs={frying.map((b) => b.name)}
              shown={Math.max(
                0,
                frying.findIndex((b) => b.key === basket?.key),
              )}
              show={(k) => choose(frying[k]?.key ?? null)}
            />
          ) : null}
          {food && basket ? (
            <Frying
              key={basket.key}
              {...{ food, catalog, units, now }}
              overdue={basket.overdueSays}
              probes={probes.data ?? []}
              tell={tellIt(food)}
              out={() => takeOut(food, now)}
              isFirst={first?.of === basket.key && first.action === 'out'}
            />
          ) : null}
        </Side>
      </Grid>
      {late.length > 0 ? (
        <Quiet role="status">
          {late.length} things wait on this device, and are sent when the kitchen computer answers.
        </Quiet>
      ) : null}
      <SaidList said={said} back={(s) => void takeBack(waiting, { ...s, evening: evening.id })} />
      {lane === ALL ? (
        <Half onPress={telling.giveUp} style={{ marginTop: 18 }}>
          Give this supper up
        </Half>
      ) : null}
      {question}
    </>
  );
}

interface OutProps {
  basket: LiveBasket;
  catalog: Catalog;
  units: ReturnType<typeof unitsOf>;
  note: (c: number) => void;
}

/** What came out and is not shown safe: only a thermometer helps. */
function Out({ basket, catalog, units, note }: OutProps) {
  return (
    <>
      <NotShown role="status">
        {basket.name}, out since {clock(basket.outAt ?? '')}: not shown safe. {basket.shown?.says}
      </NotShown>
      <ProbeReading
        limit={limitOf(catalog, 'event.probe')}
        units={units}
        from={basket.ruleC ?? 0}
        bone={basket.judged === 'bone'}
        plausibleC={undefined}
        note={note}
      />
    </>
  );
}

interface FryingProps {
  food: Watched;
  catalog: Catalog;
  units: ReturnType<typeof unitsOf>;
  now: number;
  overdue: string | undefined;
  probes: Parameters<typeof Answers>[0]['probes'];
  tell: (what: string, event: Told) => void;
  out: () => void;
  isFirst: boolean;
}

/** One basket that is in: its inside, and what can be said of it. */
function Frying({ food, catalog, units, now, overdue, probes, tell, out, isFirst }: FryingProps) {
  const { insideC } = useInside(food, now);
  return (
    <>
      <InsideCard food={food} nowMs={now} units={units} />
      {overdue ? <Quiet role="status">{overdue}</Quiet> : null}
      {minuteOf(food, now) === null ? null : (
        <Answers {...{ food, catalog, units, probes, tell }} insideC={insideC ?? 20}>
          {isFirst ? null : <Half onPress={out}>Done, {food.name} out</Half>}
        </Answers>
      )}
    </>
  );
}
