import { useEffect, useState } from 'react';
import styled from 'styled-components';
import type { Units } from '../format/units';
import { type } from '../theme/tokens';
import { Button, MainButton } from '../ui/Button';
import { Quiet } from '../ui/layout';
import { Stepper } from '../ui/Stepper';

const Clock = styled.p`
  font: 700 34px/1 ${type.loud};
  font-variant-numeric: tabular-nums;
`;

const drawerOf = (id: string) => `velocrustum.timing.${id}`;

interface Props {
  /** Names the stopwatch on this device, so that it outlives a reload. */
  id: string;
  /** What is taken now; not known until the fryer is drawn. */
  minutes: number | undefined;
  range: { min: number; max: number; step: number };
  timed: boolean;
  units: Units;
  onChange: (minutes: number | null) => void;
}

/** The minutes to 200 °C: set by hand, or timed with the fryer on the counter. */
export function HeatUp({ id, minutes, range, timed, units, onChange }: Props) {
  const [began, setBegan] = useState(() => Number(localStorage.getItem(drawerOf(id))) || null);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (began === null) return;
    const tick = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(tick);
  }, [began]);
  const seconds = began === null ? 0 : Math.max(0, Math.floor((now - began) / 1000));
  const stop = () => {
    localStorage.removeItem(drawerOf(id));
    setBegan(null);
  };
  const hot = units.temperature(200);
  return (
    <>
      <Stepper
        label={`From cold to ${hot}, empty`}
        unit="min"
        value={Math.round((minutes ?? range.min) * 10) / 10}
        {...range}
        onChange={onChange}
      />
      {began === null ? (
        <>
          <MainButton
            onPress={() => {
              const t = Date.now();
              localStorage.setItem(drawerOf(id), `${t}`);
              setNow(t);
              setBegan(t);
            }}
          >
            I switch it on now
          </MainButton>
          <Quiet>
            Cold and empty, dial at {hot} or over, a thermometer in the basket: tap when you switch it on, and again
            when it reads {hot}.
          </Quiet>
          {timed ? <Button onPress={() => onChange(null)}>Forget it: as most of its kind</Button> : null}
        </>
      ) : (
        <>
          <Clock role="timer" aria-label="Since it was switched on">
            {Math.floor(seconds / 60)}:{String(seconds % 60).padStart(2, '0')}
          </Clock>
          <MainButton
            isDisabled={seconds < range.min * 60}
            onPress={() => {
              onChange(Math.min(range.max, Math.round(seconds / 6) / 10));
              stop();
            }}
          >
            It reads {hot} now
          </MainButton>
          <Button onPress={stop}>Stop timing</Button>
        </>
      )}
    </>
  );
}
