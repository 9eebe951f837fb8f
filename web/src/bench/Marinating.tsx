import { Button } from '../ui/Button';
import { Stepper } from '../ui/Stepper';
import type { Props } from './Controls';
import { Items } from './Items';
import { Recipes, scaled } from './Recipes';

/** What is in the marinade, for how long, and what of it is kept for the coat. */
export function Marinating({ bench, set, answer, pantry, units }: Props) {
  const m = bench.marinade;
  if (!m) return null;
  const change = (what: string, more: Partial<typeof m>) =>
    set(what, (b) => (b.marinade ? { ...b, marinade: { ...b.marinade, ...more } } : b));
  const scale = m.forG ? answer.massG / m.forG : 1;
  return (
    <>
      <Recipes
        marinade={m}
        massG={answer.massG}
        take={(taken) => set('a marinade of your own', (b) => ({ ...b, marinade: taken }))}
      />
      <Items
        label="Marinade"
        items={m.items}
        pantry={pantry}
        answer={answer}
        onChange={(items) => change('items', { items, forG: answer.massG })}
      />
      {Math.abs(scale - 1) > 0.02 ? (
        <Button onPress={() => change('scale', scaled(m, answer.massG))}>Scale it to {units.mass(answer.massG)}</Button>
      ) : null}
      <Stepper
        label="For"
        unit="hours"
        value={m.hours}
        min={0.25}
        max={48}
        step={0.25}
        onChange={(hours) => change('hours', { hours })}
      />
      <Stepper
        label="Dry seasoning kept for the coat"
        unit="%"
        value={Math.round((m.coatShare ?? 0) * 100)}
        min={0}
        max={100}
        step={10}
        onChange={(v) => change('share', { coatShare: v / 100 })}
      />
    </>
  );
}
