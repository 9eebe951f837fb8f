import { useEffect, useState } from 'react';
import styled from 'styled-components';
import type { Catalog, Settings } from '../api/client';
import type { Letter } from '../api/outbox';
import { useProbes, type Doing, type LiveEvening, type Ticking } from '../api/live';
import { unitsOf } from '../format/units';
import { at } from '../theme/tokens';
import { Quiet } from '../ui/layout';
import { Tabs } from '../ui/Tabs';
import { useLate } from './Answers';
import { Big, Half } from './Buttons';
import { Come } from './Come';
import { Countdown } from './Countdown';
import { Grid, Side } from './Live';
import { ALL, LiveHead, showsPlace, useShows } from './LiveHead';
import { LiveLanes } from './LiveLanes';
import { NextTasks } from './NextTasks';
import { SaidList } from './SaidList';
import { Frying, Out } from './SupperFood';
import { takesOut } from './takesOut';
import { useAwake } from './useAwake';
import { useCalling } from './useCalling';
import { useClock } from './useClock';
import { usePress } from './usePress';
import { stillAsks, useQuestion } from './useQuestion';
import { useTakingBack, useTellingOf, type Told } from './useTelling';
import { ofBasket, type Watched } from './watched';

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

interface Props {
  evening: LiveEvening;
  catalog: Catalog;
  settings: Settings;
  ticking: Ticking;
  voice: boolean;
}

const lateSaid = (l: Letter) => ({ id: l.id, title: l.what, at: l.at, waits: true as const });

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
  const mine = [...open, ...rest].filter((t) => showsPlace(evening, lane, t.place));
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
    .filter((b) => showsPlace(evening, lane, b.fryerId));
  const basket =
    frying.find((b) => b.key === chosen) ?? frying.find((b) => b.key === first?.of) ?? frying[0] ?? undefined;
  const food = basket ? ofBasket(basket, catalog.usual.moreMin) : null;
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
  const leaveOut = (d: Doing) => {
    const of = evening.baskets.find((b) => b.key === d.of);
    if (of) telling.tell(of, 'left out', { kind: 'skip' });
    else telling.skip(d.id, `${d.title}: left out`);
  };
  const pressed = (d: Doing) =>
    waiting.some((l) => {
      const body = l.body as { kind: string; task?: string };
      const of = evening.baskets.find((b) => b.key === d.of);
      return of ? l.path === `/cooks/${of.cookId}/events` && body.kind === d.action : body.task === d.id;
    });
  const said = [...evening.said, ...late.map((l) => ({ ...lateSaid(l), cookId: undefined }))];
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
      {first?.maySkip && leftMs !== null && leftMs <= 0 ? (
        <Half isDisabled={pressed(first)} onPress={() => leaveOut(first)}>
          Not this time
        </Half>
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
      <LiveHead evening={evening} alarm={raw.length > 0} lane={lane} show={show} />
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
          <NextTasks tasks={mine.slice(1, 4)} asked={course.now} now={now} />
          <LiveLanes evening={evening} nowMs={now} shows={(place) => showsPlace(evening, lane, place)} />
        </Coming>
        <Side>
          <Beside>{acts}</Beside>
          {raw.map((b) => (
            <Out key={b.key} basket={b} {...{ catalog, units }} tell={(what, event) => telling.tell(b, what, event)} />
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
      {lane === ALL ? <Come {...{ evening, waiting }} come={telling.come} /> : null}
      <SaidList said={said} back={(x) => void takeBack(waiting, { ...x, evening: evening.id })} />
      {lane === ALL ? (
        <Half onPress={telling.giveUp} style={{ marginTop: 18 }}>
          Give this supper up
        </Half>
      ) : null}
      {question}
    </>
  );
}
