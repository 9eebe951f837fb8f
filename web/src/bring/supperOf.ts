import type { Schemas } from '../api/client';
import { nextAt } from '../supper/time';

// What a step of a side takes where nobody said, minutes.
const STEP = 10;
const LONGEST = 120;
const MOST = 20;

/** A supper of the dishes of a recipe and what is eaten beside. */
export function supperOf(
  read: Schemas['RecipeRead'],
  plans: { id: string }[],
  { at, tomorrowFrom, people, hands, hobs }: Schemas['UsualEvening'],
): Omit<Schemas['Supper'], 'id'> {
  const sides = read.sides?.map((s, k) => ({
    id: `side-${k + 1}`,
    name: s.name.slice(0, 60),
    buys: s.buys.slice(0, MOST).map((b) => b.slice(0, 80)),
    steps: (s.steps.length > 0 ? s.steps : [`make the ${s.name.toLowerCase()}`]).map((says) => ({
      says: says.slice(0, LONGEST),
      place: 'board',
      minutes: STEP,
      hands: 1,
    })),
  }));
  return {
    name: read.name.slice(0, 60),
    evening: {
      serveAt: nextAt(at, tomorrowFrom),
      people,
      hands,
      hobs,
      warmC: 0,
      dishes: plans.map((p) => ({ planId: p.id })),
      ...(sides ? { sides } : {}),
    },
  };
}
