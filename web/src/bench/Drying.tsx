import { within } from '../api/limits';
import { Choice } from '../ui/Choice';
import { Stepper } from '../ui/Stepper';
import type { StationProps } from './props';

/** How the surface is dried. */
export function Drying({ lot, bench, set, catalog }: StationProps) {
  const d = bench.drying;
  // Undone here, it is as dry as the order says.
  const school = d.school ?? { wet: 'wet', racked: 'rack' }[lot.load.surface ?? ''] ?? 'wipe';
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
        onChange={(s) => set('drying', (b) => ({ ...b, drying: s === 'rack' ? catalog.usual.rack : { school: s } }))}
      />
      {school === 'rack' ? (
        <Stepper
          label="On the rack"
          unit="hours"
          value={d.hours ?? catalog.usual.rack.hours ?? 0}
          {...within(catalog, 'bench.drying.hours')}
          onChange={(hours) => set('rack', (b) => ({ ...b, drying: { school: 'rack', hours } }))}
        />
      ) : null}
    </>
  );
}
