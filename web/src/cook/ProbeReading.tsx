import { useState } from 'react';
import type { Schemas } from '../api/client';
import type { Units } from '../format/units';
import { MainButton } from '../ui/Button';
import { Pop } from '../ui/Pop';
import { Stepper } from '../ui/Stepper';
import { Half } from './Buttons';
import { useQuestion, type Question } from './useQuestion';

const OFF = { title: 'Far from what is believed', keep: 'I read again', goOn: 'Note it all the same' };

/** Notes a reading, °C; one that is far from what is believed is asked about first. */
export const notes =
  (ask: (q: Question) => void, plausibleC: number[] | undefined, units: Units, note: (c: number) => void) =>
  (c: number): void => {
    const [low = -Infinity, high = Infinity] = plausibleC ?? [];
    const go = () => note(Math.round(c * 10) / 10);
    const reads = units.temperature(c);
    if (c > high)
      ask({
        ...OFF,
        says: `${reads} is much warmer than it can well be by now. Did the tip touch bone, fat or metal? Alone it does not show that the food is safe: read again in another spot.`,
        go,
      });
    else if (c < low)
      ask({
        ...OFF,
        says: `${reads} is much colder than is believed by now. If it is so, it takes that much longer.`,
        go,
      });
    else go();
  };

interface Props {
  limit: Schemas['Range'];
  units: Units;
  /** Where the field begins, °C: near what it will read. */
  from: number;
  bone: boolean;
  both?: boolean;
  plausibleC: number[] | undefined;
  note: (c: number) => void;
}

/** What the thermometer reads. */
export function ProbeReading({ limit, units, from, bone, both, plausibleC, note }: Props) {
  const begin = () => units.heat.to(from);
  const [shown, setShown] = useState(begin);
  const [typed, setTyped] = useState<number | null>(null);
  // The figure to begin with is no reading: one tap must not make it one.
  const [touched, setTouched] = useState(false);
  const { ask, question } = useQuestion();
  return (
    <>
      <Pop
        title="Probe reading"
        body={(close) => (
          <>
            <Stepper
              label={
                both
                  ? 'The lower of breast and thigh, away from the bone'
                  : bone
                    ? 'In the thickest part, away from the bone'
                    : 'In the thickest part'
              }
              value={shown}
              {...units.heat.stepper(limit)}
              onChange={setShown}
              typed={(v) => {
                setTouched(true);
                setTyped(v);
              }}
            />
            {touched ? null : <p>Set it to what the thermometer reads.</p>}
            <MainButton
              isDisabled={!touched}
              onPress={() => {
                if (typed === null) return; // the field says why
                close();
                notes(ask, plausibleC, units, note)(units.heat.from(typed));
              }}
            >
              Note it
            </MainButton>
          </>
        )}
      >
        <Half
          onPress={() => {
            setShown(begin());
            setTyped(null);
            setTouched(false);
          }}
        >
          Probe reading
        </Half>
      </Pop>
      {question}
    </>
  );
}
