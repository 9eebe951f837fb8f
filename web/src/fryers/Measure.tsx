import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import styled from 'styled-components';
import type { FryerInput, Schemas } from '../api/client';
import { useProbes } from '../api/live';
import { beginMeasuring, readAir, stopMeasuring, useMeasuring } from '../api/queries';
import type { Units } from '../format/units';
import { Button } from '../ui/Button';
import { Quiet } from '../ui/layout';
import { Stepper } from '../ui/Stepper';
import { complain } from '../ui/toast';

type Run = NonNullable<FryerInput['measured']>[number];
type Going = Schemas['Measuring'];

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

interface Props {
  id: string;
  dialC: number;
  units: Units;
  done: (run: Run) => void;
}

/** Leads a fryer through ten minutes empty from cold, read by hand or by a thermometer that sends; every device sees it. */
export function Measure({ id, dialC, units, done }: Props) {
  const [open, setOpen] = useState(false);
  const queries = useQueryClient();
  const going = useMeasuring(id).data;
  const then = (what: Promise<unknown>) =>
    what.catch(complain).then(() => queries.invalidateQueries({ queryKey: ['measuring', id] }));
  if (going)
    return (
      <Led>
        <Under {...{ going, units }} read={(c) => void then(readAir(id, c))} />
        <Row>
          <Button
            isDisabled={!going.enough}
            onPress={() => {
              const { at, readings } = going;
              void then(
                stopMeasuring(id).then(() => {
                  done({ at, dialC: going.dialC, readings });
                }),
              );
              setOpen(false);
            }}
          >
            {going.nextMin === null ? 'Learn from it' : 'Enough, learn from it'}
          </Button>
          <Button
            onPress={() => {
              void then(stopMeasuring(id));
              setOpen(false);
            }}
          >
            Give it up
          </Button>
        </Row>
      </Led>
    );
  if (!open) return <Button onPress={() => setOpen(true)}>Measure it, ten minutes empty</Button>;
  return (
    <Begin
      dial={units.temperature(dialC)}
      begin={(probe) => void then(beginMeasuring(id, { dialC, ...(probe ? { probe } : {}) }))}
      close={() => setOpen(false)}
    />
  );
}

interface BeginProps {
  dial: string;
  begin: (probe?: string) => void;
  close: () => void;
}

function Begin({ dial, begin, close }: BeginProps) {
  const probes = useProbes().data ?? [];
  return (
    <Led>
      <p>
        Cold and empty, a thermometer hung in the middle of the basket, the dial at {dial}. Turn it on, and start at
        once.
      </p>
      <Row>
        <Button onPress={() => begin()}>It is on: I read by hand</Button>
        {probes.map((p) => (
          <Button key={p.id} onPress={() => begin(p.id)}>
            It is on: {p.id} reads
          </Button>
        ))}
        <Button onPress={close}>Not now</Button>
      </Row>
    </Led>
  );
}

const clock = (minute: number) => {
  const seconds = Math.floor(60 * minute);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
};

/** What is wanted next. */
function wants({ nextMin, minute, readings, wanted, probe }: Going) {
  if (nextMin === null) return 'That is all that is wanted.';
  if (probe) return `Leave it shut: ${probe} reads until ${nextMin} min. ${readings.length} readings are in.`;
  if (minute >= nextMin) return `What does it read now? ${readings.length} of ${wanted} are in.`;
  return `Leave it shut. The next reading is at ${nextMin} min; ${readings.length} of ${wanted} are in.`;
}

/** A run that is under way. */
function Under({ going, units, read }: { going: Going; units: Units; read: (c: number) => void }) {
  const [reads, setReads] = useState<number | null>(null);
  const last = going.readings.at(-1)?.c;
  const value = reads ?? units.toDegrees(last ?? 60);
  return (
    <>
      <Count role="timer">{clock(going.minute)}</Count>
      <p role="status">{wants(going)}</p>
      {going.probe || going.nextMin === null ? null : (
        <Row>
          <Stepper
            label={`It reads, ${units.degree}`}
            value={Math.round(value)}
            min={Math.round(units.toDegrees(0))}
            max={Math.round(units.toDegrees(300))}
            step={1}
            onChange={setReads}
          />
          <Button
            onPress={() => {
              read(Math.round(units.fromDegrees(value) * 10) / 10);
              setReads(null);
            }}
          >
            Read
          </Button>
        </Row>
      )}
      {going.probe && last !== undefined ? <p>It reads {units.temperature(last)}.</p> : null}
      {going.enough ? null : <Quiet>It takes three readings at least.</Quiet>}
    </>
  );
}
