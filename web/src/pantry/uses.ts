import type { Schemas } from '../api/client';

type Ingredient = Schemas['Ingredient'];

/** What they are used for, in the order of a cook's hands. */
const uses: { name: string; is: (i: Ingredient) => boolean }[] = [
  { name: 'Salts and salty sauces', is: (i) => i.role === 'salt' },
  { name: 'Spices, herbs and pastes', is: (i) => i.role === 'spice' },
  { name: 'Sour', is: (i) => i.role === 'acid' },
  { name: 'Sweet', is: (i) => i.role === 'sugar' && i.form === undefined },
  { name: 'Tenderising', is: (i) => i.role === 'enzyme' },
  { name: 'Liquids, dairy and egg', is: (i) => ['liquid', 'dairy', 'egg'].includes(i.role) },
  { name: 'Fats', is: (i) => i.role === 'fat' && i.form === undefined },
  { name: 'Flours and starches', is: (i) => i.form === 'powder' },
  { name: 'Crumbs, seeds and nuts', is: (i) => i.form === 'crumb' },
  { name: 'Others', is: () => true },
];

/** What is there by what it is used for, each once; shelves that would be empty are none. */
export function shelvesOf(ingredients: Ingredient[]): { name: string; those: Ingredient[] }[] {
  const left = new Set(ingredients);
  return uses
    .map((use) => {
      const those = [...left].filter(use.is).sort((a, b) => a.name.localeCompare(b.name));
      those.forEach((i) => left.delete(i));
      return { name: use.name, those };
    })
    .filter((shelf) => shelf.those.length > 0);
}
