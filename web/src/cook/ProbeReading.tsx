import { useState } from 'react';
import type { Schemas } from '../api/client';
import type { Units } from '../format/units';
import { MainButton } from '../ui/Button';
import { Pop } from '../ui/Pop';
import { Stepper } from '../ui/Stepper';
import { Half } from './Buttons';

interface Props {
  limit: Schemas['Range'];
  units: Units;
  /** Where the stepper begins: the estimate, °C. */
  from: number;
  note: (c: number) => void;
}

/** What the thermometer reads. */
export function ProbeReading({ limit, units, from, note }: Props) {
  const [c, setC] = useState(from);
  return (
    <Pop
      title="Probe reading"
      body={(close) => (
        <>
          <Stepper
            label="In the thickest part, away from the bone"
            value={units.heat.to(c)}
            {...units.heat.stepper(limit)}
            onChange={(d) => setC(units.heat.from(d))}
          />
          <MainButton
            onPress={() => {
              close();
              note(c);
            }}
          >
            Note it
          </MainButton>
        </>
      )}
    >
      <Half onPress={() => setC(Math.round(from))}>Probe reading</Half>
    </Pop>
  );
}
