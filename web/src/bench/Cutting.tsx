import { limitOf, within } from '../api/limits';
import { SwitchField } from 'react-aria-components';
import { Choice } from '../ui/Choice';
import { Knob } from '../ui/Knob';
import { Stepper } from '../ui/Stepper';
import type { StationProps } from './props';

/** What the pieces are cut from, what they are made into, how even they are. */
export function Cutting({ bench, set, answer, catalog, units }: StationProps) {
  const c = bench.cutting ?? {};
  return (
    <>
      <Stepper
        label="Cut from a whole weight of"
        value={units.weight.to(c.wholeG ?? 0)}
        {...units.weight.stepper(limitOf(catalog, 'bench.cutting.wholeG'))}
        onChange={(m) => set('whole', (b) => ({ ...b, cutting: { ...b.cutting, wholeG: units.weight.from(m) } }))}
      />
      {c.wholeG ? (
        <Stepper
          label="Into pieces"
          value={c.pieces ?? answer.load.pieces}
          {...within(catalog, 'load.pieces')}
          onChange={(pieces) => set('pieces', (b) => ({ ...b, cutting: { ...b.cutting, pieces } }))}
        />
      ) : null}
      {answer.makings.length > 0 ? (
        <Choice
          label="Made into"
          options={[{ id: '', name: 'Left as they are' }, ...answer.makings.map((m) => ({ id: m.to, name: m.says }))]}
          value={c.as ?? ''}
          onChange={(as) => set('as', (b) => ({ ...b, cutting: { ...b.cutting, as: as || undefined } }))}
        />
      ) : null}
      {answer.mayScore ? (
        <SwitchField
          isSelected={c.scored ?? false}
          onChange={(scored) => set('scored', (b) => ({ ...b, cutting: { ...b.cutting, scored } }))}
        >
          <Knob>Scored on both sides</Knob>
        </SwitchField>
      ) : null}
      <Choice
        label="How even are they"
        row
        options={catalog.usual.spread.map((l) => ({ id: String(l.value), name: l.name }))}
        value={String(c.spreadPct ?? catalog.usual.bench.cutting?.spreadPct)}
        onChange={(v) => set('spread', (b) => ({ ...b, cutting: { ...b.cutting, spreadPct: Number(v) } }))}
      />
    </>
  );
}
