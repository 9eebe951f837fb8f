import { Choice } from '../ui/Choice';
import { Stepper } from '../ui/Stepper';
import type { Props } from './Controls';

/** How the surface is dried. */
export function Drying({ bench, set }: Props) {
  const d = bench.drying;
  const school = d.school ?? 'wipe';
  return (
    <>
      <Choice
        label="School"
        quiet
        options={[
          { id: 'wipe', name: 'Wipe with paper' },
          { id: 'rack', name: 'Wipe, then the rack in the fridge' },
          { id: 'rinse', name: 'Rinse and wipe', note: 'not advised for poultry' },
          { id: 'wet', name: 'Leave it wet' },
        ]}
        value={school}
        onChange={(s) =>
          set('drying', (b) => ({ ...b, drying: { school: s, hours: s === 'rack' ? d.hours || 2 : 0 } }))
        }
      />
      {school === 'rack' ? (
        <Stepper
          label="On the rack"
          unit="hours"
          value={d.hours ?? 2}
          min={0.5}
          max={48}
          step={0.5}
          onChange={(hours) => set('rack', (b) => ({ ...b, drying: { school: 'rack', hours } }))}
        />
      ) : null}
    </>
  );
}
