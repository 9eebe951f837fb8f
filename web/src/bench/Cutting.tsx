import { Choice } from '../ui/Choice';
import { Stepper } from '../ui/Stepper';
import type { Props } from './Controls';

/** What the pieces are cut from, what they are made into, how even they are. */
export function Cutting({ bench, set, answer, units }: Props) {
  const c = bench.cutting ?? {};
  return (
    <>
      <Stepper
        label="Cut from a whole weight of"
        unit={units.gram}
        value={units.toMass(c.wholeG ?? 0)}
        min={0}
        max={units.toMass(10000)}
        step={units.gram === 'oz' ? 1 : 10}
        onChange={(m) =>
          set('whole', (b) => ({ ...b, cutting: { ...b.cutting, wholeG: Math.round(units.fromMass(m)) } }))
        }
      />
      {c.wholeG ? (
        <Stepper
          label="Into pieces"
          value={c.pieces ?? answer.load.pieces}
          min={1}
          max={120}
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
      <Choice
        label="How even are they"
        row
        options={[
          { id: '4', name: 'Very even' },
          { id: '8', name: 'By a careful hand' },
          { id: '16', name: 'As they come' },
        ]}
        value={String(c.spreadPct ?? 8)}
        onChange={(v) => set('spread', (b) => ({ ...b, cutting: { ...b.cutting, spreadPct: Number(v) } }))}
      />
    </>
  );
}
