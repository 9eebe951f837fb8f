import { useEffect } from 'react';
import styled from 'styled-components';
import type { Catalog, Cook, Settings } from '../api/client';
import { useProbes, type Ticking } from '../api/live';
import { clock, unitsOf } from '../format/units';
import { at } from '../theme/tokens';
import { Quiet } from '../ui/layout';
import { say } from '../ui/toast';
import { Answers, useLate } from './Answers';
import { Big, Half } from './Buttons';
import { Countdown } from './Countdown';
import { InsideCard, useInside } from './InsideCard';
import { SaidList } from './SaidList';
import { Strips } from './Strips';
import { takesOut } from './takesOut';
import { useAwake } from './useAwake';
import { useCalling } from './useCalling';
import { usePress } from './usePress';
import { stillAsks, useQuestion } from './useQuestion';
import { useClock } from './useClock';
import { useLot } from './useLot';
import { useTakingBack, useTelling, type Told } from './useTelling';
import { minuteOf, ofCook } from './watched';

export const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 432px;
  grid-template-areas: 'now side' 'next side';
  grid-template-rows: auto 1fr;
  gap: 16px 28px;
  ${at.narrow} {
    grid-template-columns: minmax(0, 1fr);
    grid-template-areas: 'now' 'next' 'side';
    grid-template-rows: none;
  }
`;

export const Side = styled.div`
  grid-area: side;
  display: grid;
  gap: 12px;
  align-content: start;
`;

/** What moves a cook on; the rest is only seen. */
const STEPS = ['heating', 'loaded', 'turned', 'dialled', 'out', 'rested', 'skip'];

interface Props {
  cook: Cook;
  catalog: Catalog;
  settings: Settings;
  ticking: Ticking;
  voice: boolean;
}

/** The dish that is cooked alone: what is due, how it stands, and what can be said. */
export function Live({ cook, catalog, settings, ticking, voice }: Props) {
  const now = useClock(ticking);
  const { waiting, tell } = useTelling(cook, ticking);
  const late = useLate(waiting, now);
  const takeBack = useTakingBack();
  const probes = useProbes();
  useAwake(true);
  const { step } = cook;
  const leftMs = step.until ? Date.parse(step.until) - now : null;
  const due = leftMs === null ? step.phase !== 'heating' : leftMs <= 0;
  useCalling(`${cook.events.length}${step.title}`, due, settings.chime, voice ? step.title : '');
  useEffect(() => {
    document.title = `${step.title} · Velocrustum`;
  }, [step.title]);

  const units = unitsOf(settings);
  const cut = catalog.cuts.find((c) => c.id === cook.plan.lots[0]?.load.cut);
  const food = ofCook(cook, catalog.usual.moreMin);
  const minute = minuteOf(food, now);
  const { lot, tellOf, picker } = useLot(food, tell);
  const { ahead, insideC } = useInside(lot, now);
  const isOut = cook.events.some((e) => e.kind === 'out');
  const { ask, question } = useQuestion();
  const takeOut = takesOut(ask, () => {
    if (food.asks) say('Out early: probe it before anyone eats.');
    tell('it is out', { kind: 'out' });
  });
  const out = () => takeOut(food, now);
  // The program and a little more, as what was overlooked goes on.
  const shown = Math.max(food.endMin + 3, (minute ?? 0) + 1);
  const action = step.action as Told['kind'] | undefined;
  // What is asked is told apart by what was done before it.
  const steps = cook.events.filter((e) => STEPS.includes(e.kind)).length;
  const asked =
    action && step.label ? { id: `${steps} ${action}`, title: step.title, label: step.label, action } : undefined;
  const press = usePress(asked, {
    ask,
    open: (it) => it.id === asked?.id && !waiting.some((l) => (l.body as Told).kind === it.action),
    act: (it) => {
      const { asks } = step;
      const go = () => tell(it.label, { kind: it.action });
      if (it.action === 'out') out();
      else if (asks && stillAsks(asks, now))
        ask({ title: it.label, says: asks.says, keep: 'Not yet', goOn: 'Yes, it is', go });
      else go();
    },
  });
  const said = [
    ...cook.events.map((e) => ({ id: e.id, title: e.says, at: e.at })),
    ...late.map((l) => ({ id: l.id, title: l.what, at: l.at, waits: true })),
  ];
  return (
    <>
      <Quiet>
        {cook.name}
        {cook.baskets > 1 ? ` · basket ${cook.basket} of ${cook.baskets}` : ''} · since {clock(cook.startedAt)}
        {cook.plan.tableTime ? ` · wanted on the table at ${cook.plan.tableTime}` : ''}
      </Quiet>
      <Grid>
        <Countdown title={step.title} detail={step.detail} leftMs={leftMs} now={step.phase === 'loading'} />
        <Side>
          {minute === null ? (
            <Quiet>
              {cook.forecast.verdict.ready ? 'Once the food is in. ' : ''}
              {cook.forecast.verdict.figure} {cook.forecast.verdict.unit}: {cook.forecast.verdict.says}{' '}
              {cook.forecast.verdict.first}
            </Quiet>
          ) : (
            <>
              {picker}
              <InsideCard food={lot} nowMs={now} units={units} />
            </>
          )}
          {press.shown ? (
            <Big isDisabled={waiting.some((l) => (l.body as Told).kind === action)} {...press.handlers}>
              {press.shown.label}
            </Big>
          ) : null}
          {step.maySkip && leftMs !== null && leftMs <= 0 ? (
            <Half onPress={() => tell('left out', { kind: 'skip' })}>Not this time</Half>
          ) : null}
          {minute !== null && !isOut ? (
            <Answers
              {...{ catalog, units }}
              food={lot}
              tell={tellOf}
              insideC={insideC ?? 20}
              probes={probes.data ?? []}
            >
              {action === 'out' ? null : <Half onPress={out}>Done, it is out</Half>}
            </Answers>
          ) : minute === null ? (
            <Half onPress={() => tell('given up', { kind: 'stop' })}>Give this cook up</Half>
          ) : null}
          {late.length > 0 ? (
            <Quiet role="status">
              Kept on this device, and sent when the kitchen computer answers:{' '}
              {late.map((l) => `${l.what}, ${clock(l.at)}`).join('; ')}
            </Quiet>
          ) : null}
        </Side>
      </Grid>
      <Strips
        cook={cook}
        line={(ahead?.now.timeline ?? cook.forecast.timeline).filter((m) => m.minute <= shown)}
        minute={minute}
        faces={cook.lots?.[lot.lot ?? 0]?.faces ?? cut?.faces ?? ['First side', 'Second side']}
      />
      {said.length > 0 ? (
        <SaidList said={said} back={(s) => void takeBack(waiting, { ...s, cookId: cook.id })} />
      ) : null}
      {question}
    </>
  );
}
