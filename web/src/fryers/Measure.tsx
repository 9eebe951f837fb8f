import { useEffect, useState } from 'react';
import styled from 'styled-components';
import type { FryerInput } from '../api/client';
import type { Units } from '../format/units';
import { Button } from '../ui/Button';
import { Quiet } from '../ui/layout';
import { Stepper } from '../ui/Stepper';

type Run = NonNullable<FryerInput['measured']>[number];

interface Going {
  /** When it was turned on, ms. */
  since: number;
  readings: Run['readings'];
}

const Led = styled.div`
  display: grid;
  gap: 10px;
  justify-items: start;
  border-top: 1px solid var(--line);
  padding-top: 10px;
`;

const Count = styled.p`
  font-size: 34px;
  font-weight: 700;
  font-variant-numeric: tabular-nums;
  line-height: 1;
`;

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: end;
`;

/** When a reading is asked for, minutes; how many there have to be. */
const ASKED = [1, 2, 3, 4, 6, 8, 10];
const LEAST = 3;

const kept = (id: string): Going | null => {
  const text = sessionStorage.getItem(`measure ${id}`);
  return text === null ? null : (JSON.parse(text) as Going);
};

interface Props {
  id: string;
  dialC: number;
  units: Units;
  done: (run: Run) => void;
}

/** Leads a fryer through ten minutes empty from cold, reading by reading; a page that is left finds it going on. */
export function Measure({ id, dialC, units, done }: Props) {
  const [open, setOpen] = useState(() => kept(id) !== null);
  const [going, setGoing] = useState(() => kept(id));
  const [now, setNow] = useState(() => Date.now());
  const [reads, setReads] = useState<number | null>(null);
  useEffect(() => {
    if (!going) return undefined;
    const tick = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(tick);
  }, [going]);
  const keep = (next: Going | null) => {
    if (next) sessionStorage.setItem(`measure ${id}`, JSON.stringify(next));
    else sessionStorage.removeItem(`measure ${id}`);
    setGoing(next);
    setNow(Date.now());
  };
  const close = () => {
    keep(null);
    setOpen(false);
  };
  if (!open) return <Button onPress={() => setOpen(true)}>Measure it, ten minutes empty</Button>;
  if (!going)
    return (
      <Led>
        <p>
          Cold and empty, a thermometer hung in the middle of the basket, the dial at {units.temperature(dialC)}. Turn
          it on, and start at once.
        </p>
        <Row>
          <Button onPress={() => keep({ since: Date.now(), readings: [] })}>It is on</Button>
          <Button onPress={close}>Not now</Button>
        </Row>
      </Led>
    );
  const seconds = Math.max(0, Math.floor((now - going.since) / 1000));
  const next = ASKED[going.readings.length];
  const last = going.readings.at(-1)?.c;
  const value = reads ?? units.toDegrees(last ?? 60);
  const read = () => {
    const minute = Math.round((Date.now() - going.since) / 600) / 100;
    keep({ ...going, readings: [...going.readings, { minute, c: Math.round(units.fromDegrees(value) * 10) / 10 }] });
    setReads(null);
  };
  const enough = () => {
    done({ at: new Date(going.since).toISOString(), dialC, readings: going.readings });
    close();
  };
  return (
    <Led>
      <Count role="timer">
        {Math.floor(seconds / 60)}:{String(seconds % 60).padStart(2, '0')}
      </Count>
      <p role="status">
        {next === undefined
          ? 'That is all that is wanted.'
          : seconds >= 60 * next
            ? `What does it read now? ${going.readings.length} of ${ASKED.length} are in.`
            : `Leave it shut. The next reading is at ${next} min; ${going.readings.length} of ${ASKED.length} are in.`}
      </p>
      {next === undefined ? null : (
        <Row>
          <Stepper
            label={`It reads, ${units.degree}`}
            value={Math.round(value)}
            min={Math.round(units.toDegrees(0))}
            max={Math.round(units.toDegrees(300))}
            step={1}
            onChange={setReads}
          />
          <Button onPress={read}>Read</Button>
        </Row>
      )}
      <Row>
        <Button isDisabled={going.readings.length < LEAST} onPress={enough}>
          {next === undefined ? 'Learn from it' : 'Enough, learn from it'}
        </Button>
        <Button onPress={close}>Give it up</Button>
      </Row>
      {going.readings.length < LEAST ? <Quiet>It takes {LEAST} readings at least.</Quiet> : null}
    </Led>
  );
}
