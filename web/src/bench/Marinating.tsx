import { type Run } from '../ui/history';
import type { Schemas } from '../api/client';
import { within } from '../api/limits';
import { Stepper } from '../ui/Stepper';
import type { StationProps } from './props';
import { Items } from './Items';
import { Recipes } from './Recipes';

const names = (m: Schemas['Marinade']) => m.items.map((it) => it.ingredient).join();

/** What is in the marinade, for how long, and what of it is kept for the coat. */
export function Marinating({ bench, set, answer, catalog, pantry, units, about }: StationProps & { about: string }) {
  const m = bench.marinade;
  if (!m) return null;
  const change = (run: Run, more: Partial<typeof m>) =>
    set(run, (b) => (b.marinade ? { ...b, marinade: { ...b.marinade, ...more } } : b));
  // The amounts are those for tonight's meat; an edit makes them its own.
  const made = answer.made;
  const shown = m.forG && m.forG !== answer.massG && made && names(made) === names(m) ? made : m;
  const share = within(catalog, 'bench.marinade.coatShare');
  const percent = (v: number) => Math.round(v * 100);
  if (about === 'hours')
    return (
      <Stepper
        label="For"
        unit="hours"
        value={m.hours}
        {...within(catalog, 'bench.marinade.hours')}
        onChange={(hours) => change('hours', { hours })}
      />
    );
  return (
    <>
      <Recipes
        marinade={shown}
        massG={answer.massG}
        take={(taken) => set('a marinade of your own', (b) => ({ ...b, marinade: taken }))}
      />
      <Items
        label="Marinade"
        items={shown.items}
        pantry={pantry}
        answer={answer}
        units={units}
        onChange={(items) => change('items', { items, forG: answer.massG })}
      />
      <Stepper
        label="Dry seasoning kept for the coat"
        unit="%"
        value={percent(m.coatShare ?? 0)}
        min={percent(share.min)}
        max={percent(share.max)}
        step={percent(share.step)}
        onChange={(v) => change('share', { coatShare: v / 100 })}
      />
    </>
  );
}
