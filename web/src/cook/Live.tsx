import { Undo2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import type { Catalog, Cook, Settings } from '../api/client';
import { clock, unitsOf } from '../format/units';
import { between } from '../race/scale';
import { at } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Quiet } from '../ui/layout';
import { say } from '../ui/toast';
import { Big, Half, Row } from './Buttons';
import { chime } from './chime';
import { Countdown } from './Countdown';
import { Inside } from './Inside';
import { Looks } from './Looks';
import { ProbeReading } from './ProbeReading';
import { Strips } from './Strips';
import { useAwake } from './useAwake';
import { said, useTelling, type Told } from './useTelling';

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 432px;
  gap: 20px 28px;
  min-height: 400px;
  ${at.narrow} {
    grid-template-columns: minmax(0, 1fr);
    min-height: 0;
    gap: 16px;
  }
`;

const Side = styled.div`
  display: grid;
  gap: 12px;
  align-content: start;
`;

const Back = styled(Button)`
  justify-self: start;
  background: transparent;
  min-height: 48px;
  color: var(--quiet);
`;

const LATE_MS = 1500;

/** The server's time, as this device counts on. */
function useClock(skewMs: number): number {
  const [here, setHere] = useState(() => performance.now());
  useEffect(() => {
    const timer = setInterval(() => setHere(performance.now()), 200);
    return () => clearInterval(timer);
  }, []);
  return here + skewMs;
}

/** Rings once for each thing that falls due. */
function useRing(moment: string, due: boolean, wanted: boolean) {
  const rung = useRef('');
  useEffect(() => {
    if (!due || rung.current === moment) return;
    rung.current = moment;
    if (wanted) chime();
  }, [due, moment, wanted]);
}

interface Props {
  cook: Cook;
  catalog: Catalog;
  settings: Settings;
  skewMs: number;
  /** By how many minutes the kitchen computer's clock was set meanwhile. */
  clockOffMin: number | undefined;
  /** The server has not answered lately. */
  stale: boolean;
}

/** The cook that is going on: what is due, how it stands, and what can be said. */
export function Live({ cook, catalog, settings, skewMs, clockOffMin, stale }: Props) {
  const now = useClock(skewMs);
  const telling = useTelling(cook, skewMs);
  const { waiting, tell, last } = telling;
  // Most are answered before they could be read as waiting.
  const late = waiting.filter((t) => now - Date.parse(t.at) > LATE_MS);
  const lookedAt = [...cook.events, ...waiting].findLast((e) => e.kind === 'look')?.value;
  useAwake(true);
  const { step } = cook;
  const leftMs = step.until ? Date.parse(step.until) - now : null;
  const due = leftMs === null ? step.phase !== 'heating' : leftMs <= 0;
  useRing(`${cook.events.length}${step.title}`, due, settings.chime);

  const units = unitsOf(settings);
  const cut = catalog.cuts.find((c) => c.id === cook.plan.load.cut);
  const minute = cook.loadedAt ? (now - Date.parse(cook.loadedAt)) / 60000 : null;
  const { foreseen } = cook;
  const estimate = (m: number) => between(cook.forecast.timeline, Math.max(0, m), (t) => t.coreC);
  // What was seen moves the estimate; by how much, it keeps as the food gets hotter.
  const amiss = foreseen ? foreseen.coreC - estimate(foreseen.atMin) : 0;
  const insideC = minute === null ? null : Math.min(100, estimate(minute) + amiss);
  const action = step.action as Told | undefined;
  const out = () => {
    const { rule, chance, safeAtMin } = cook.forecast;
    const safe = foreseen ? foreseen.safeByMin : (chance?.safeByMin ?? safeAtMin);
    if (minute !== null && insideC !== null && rule.inside === 'safe' && (safe == null || minute < safe))
      say(
        `Out early: by estimate the inside is ${units.temperature(insideC)}, not yet surely safe. Probe it before anyone eats.`,
      );
    tell('out');
  };
  // Not done yet: as much as what was seen asks beyond the plan, or a little.
  const planned = cook.actual.stages.reduce((sum, st) => sum + st.minutes, 0);
  const asks = foreseen?.safeByMin != null ? Math.ceil(foreseen.safeByMin - planned) : 0;
  const more = asks > 0 ? Math.min(asks, 30) : catalog.usual.moreMin;
  return (
    <>
      <Quiet>
        {cook.name}
        {cook.baskets > 1 ? ` · basket ${cook.basket} of ${cook.baskets}` : ''} · since {clock(cook.startedAt)}
        {cook.plan.tableTime ? ` · on the table at ${cook.plan.tableTime}` : ''}
        {stale ? ' · no connection, the clock goes on' : ''}
      </Quiet>
      {clockOffMin ? (
        <Quiet role="status">
          The kitchen computer’s clock was set {clockOffMin > 0 ? 'forward' : 'back'} by {Math.abs(clockOffMin)} minutes
          while this cook goes on. The cook goes on by its own count; times of day follow the clock as it was.
        </Quiet>
      ) : null}
      <Grid>
        <Countdown step={step} leftMs={leftMs} />
        <Side>
          <Inside cook={cook} minute={minute} insideC={insideC} units={units} />
          {action && step.label ? (
            <Big
              isDisabled={waiting.some((t) => t.kind === action)}
              onPress={() => (action === 'out' ? out() : tell(action))}
            >
              {step.label}
            </Big>
          ) : null}
          {insideC !== null ? (
            <>
              <Row>
                <ProbeReading
                  catalog={catalog}
                  units={units}
                  from={insideC}
                  note={(c) => tell('probe', Math.round(c * 10) / 10)}
                />
                <Half onPress={() => tell('more', more)}>
                  {more === 2 ? 'Two' : more} more {more === 1 ? 'minute' : 'minutes'}
                </Half>
              </Row>
              {foreseen && asks > 0 ? (
                <Quiet role="status">
                  Not done by the plan: {foreseen.says} That is {asks} more than the plan has.
                </Quiet>
              ) : null}
              {action === 'out' ? null : <Half onPress={out}>Done, it is out</Half>}
              <Looks said={lookedAt ?? null} tell={(shade) => tell('look', shade)} />
            </>
          ) : (
            <Half onPress={() => tell('stop')}>Give this cook up</Half>
          )}
          {late.length > 0 ? (
            <Quiet role="status">
              Kept on this device, and sent when the kitchen computer answers:{' '}
              {late.map((t) => `${said[t.kind]}, ${clock(t.at)}`).join('; ')}
            </Quiet>
          ) : null}
          {last ? (
            <Back onPress={telling.undo}>
              <Undo2 size={18} aria-hidden /> Take back: {said[last.kind as Told]}
            </Back>
          ) : null}
        </Side>
      </Grid>
      <Strips cook={cook} minute={minute} faces={cut?.faces ?? ['First side', 'Second side']} />
    </>
  );
}
