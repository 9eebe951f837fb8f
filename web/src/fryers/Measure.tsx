import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import styled from 'styled-components';
import type { FryerInput, Schemas } from '../api/client';
import { limitOf } from '../api/limits';
import { useProbes } from '../api/live';
import { beginMeasuring, readRun, stopMeasuring, useCatalog, useMeasuring } from '../api/queries';
import type { Units } from '../format/units';
import { SideRuler } from '../plan/order/SideRuler';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Quiet } from '../ui/layout';
import { Stepper } from '../ui/Stepper';
import { complain } from '../ui/toast';

type Run = NonNullable<FryerInput['measured']>[number];
type Going = Schemas['Measuring'];
type Potato = Schemas['Potato'];

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
  /** 2 where it has two drawers, each of which can be measured alone. */
  drawers: number;
  units: Units;
  done: (run: Run) => void;
}

/** Leads a fryer through a run from cold, empty or with half a potato, read by hand or by a thermometer that sends; every device sees it. */
export function Measure({ id, dialC, drawers, units, done }: Props) {
  const [open, setOpen] = useState(false);
  const queries = useQueryClient();
  const going = useMeasuring(id).data;
  const then = (what: Promise<unknown>) =>
    what.catch(complain).then(() => queries.invalidateQueries({ queryKey: ['measuring', id] }));
  if (going)
    return (
      <Led>
        <Under {...{ going, units }} read={(c) => void then(readRun(id, c))} />
        <Row>
          <Button
            isDisabled={!going.enough}
            onPress={() => {
              const { at, readings, potato, drawer } = going;
              void then(
                stopMeasuring(id).then(() => {
                  done({
                    at,
                    dialC: going.dialC,
                    readings,
                    ...(potato ? { potato } : {}),
                    ...(drawer ? { drawer } : {}),
                  });
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
  if (!open) return <Button onPress={() => setOpen(true)}>Measure it with a thermometer</Button>;
  return (
    <Begin
      dial={units.temperature(dialC)}
      drawers={drawers}
      units={units}
      begin={(set) => void then(beginMeasuring(id, { dialC, ...set }))}
      close={() => setOpen(false)}
    />
  );
}

interface BeginProps {
  dial: string;
  drawers: number;
  units: Units;
  begin: (set: Omit<Parameters<typeof beginMeasuring>[1], 'dialC'>) => void;
  close: () => void;
}

const WAYS: { id: 'air' | 'potato'; name: string; note: string }[] = [
  { id: 'air', name: 'Ten minutes, empty', note: 'tells dial and heating up' },
  { id: 'potato', name: 'Eighteen minutes, half a potato', note: 'tells the fan' },
];

/** Two drawers heat each other's plug: what runs alone is another fryer than both at once. */
const DRAWERS: { id: 'both' | 'left' | 'right'; name: string }[] = [
  { id: 'both', name: 'Both on, in either' },
  { id: 'left', name: 'The left one alone' },
  { id: 'right', name: 'The right one alone' },
];

function Begin({ dial, drawers, units, begin, close }: BeginProps) {
  const probes = useProbes().data ?? [];
  const catalog = useCatalog().data;
  const [by, setBy] = useState<'air' | 'potato'>('air');
  const [own, setOwn] = useState<Potato | null>(null);
  const [drawer, setDrawer] = useState<'both' | 'left' | 'right'>('both');
  if (!catalog) return null;
  const potato = own ?? catalog.usual.potato;
  const cut = catalog.cuts.find((c) => c.id === 'potato-half');
  const set = { ...(by === 'potato' ? { potato } : {}), ...(drawer === 'both' ? {} : { drawer }) };
  return (
    <Led>
      <Choice label="What the thermometer is in" options={WAYS} value={by} onChange={setBy} row />
      {drawers > 1 ? <Choice label="Which drawer" options={DRAWERS} value={drawer} onChange={setDrawer} row /> : null}
      {by === 'air' ? (
        <p>
          Cold and empty, a thermometer hung in the middle of the basket, the dial at {dial}. Turn it on, and start at
          once.
        </p>
      ) : (
        <>
          <p>
            A raw potato cut in half, alone in the middle of the cold basket, its cut face down. Push the probe in from
            the side, its tip in the very middle, and leave it in. The dial at {dial}. Turn it on, and start at once.
          </p>
          {cut ? <SideRuler cut={cut} mm={potato.thicknessMm} units={units} /> : null}
          <Row>
            <Stepper
              label="As thick as"
              value={units.length.to(potato.thicknessMm)}
              {...units.length.stepper(limitOf(catalog, 'potato.thicknessMm'))}
              onChange={(v) => setOwn({ ...potato, thicknessMm: units.length.from(v) })}
            />
            <Stepper
              label="It weighs"
              value={units.weight.to(potato.massG)}
              {...units.weight.stepper(limitOf(catalog, 'potato.massG'))}
              onChange={(v) => setOwn({ ...potato, massG: units.weight.from(v) })}
            />
          </Row>
        </>
      )}
      <Row>
        <Button onPress={() => begin(set)}>It is on: I read by hand</Button>
        {probes.map((p) => (
          <Button key={p.id} onPress={() => begin({ ...set, probe: p.id })}>
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
  const [first, most] = going.potato ? [20, 120] : [60, 300];
  const value = reads ?? units.toDegrees(last ?? first);
  return (
    <>
      <Count role="timer">{clock(going.minute)}</Count>
      {going.drawer ? <Quiet>The {going.drawer} drawer, alone.</Quiet> : null}
      <p role="status">{wants(going)}</p>
      {going.probe || going.nextMin === null ? null : (
        <Row>
          <Stepper
            label={`It reads, ${units.degree}`}
            value={Math.round(value)}
            min={Math.round(units.toDegrees(0))}
            max={Math.round(units.toDegrees(most))}
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
      {going.enough ? null : (
        <Quiet>It takes three readings at least{going.potato ? ', beside what it begins with' : ''}.</Quiet>
      )}
    </>
  );
}
