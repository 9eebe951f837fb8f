import type { PlanInput, Schemas } from '../api/client';
import { afterwards, onBench, onLot } from './edits';

interface After {
  sauces: Schemas['Serving'];
  mixes: Schemas['Mix'];
}

/** Something that goes on after the basket, and the lot that it is for; of all where none is said. */
export interface For<T> {
  one: T;
  of: number | undefined;
}

/** What goes on after the basket, in the order in which it is answered: for all lots, then for each. */
export function after<K extends keyof After>(p: PlanInput, what: K): For<After[K]>[] {
  const from = (list: unknown, of: number | undefined) =>
    ((list ?? []) as After[K][]).map((one): For<After[K]> => ({ one, of }));
  return [...from(p.bench[what], undefined), ...p.lots.flatMap((lot, k) => from(lot.bench?.[what], k))];
}

/** The dish with these sauces or mixes after the basket, each with whom it is for. */
export function setAfter<K extends keyof After>(p: PlanInput, what: K, list: For<After[K]>[]): PlanInput {
  const of = (lot: number | undefined) => {
    const own = list.filter((o) => o.of === lot).map((o) => o.one);
    return own.length > 0 ? own : undefined;
  };
  return p.lots.reduce(
    (now, lot, k) =>
      lot.bench?.[what] || of(k) ? onLot(now, k, (l) => onBench(l, (b) => ({ ...b, [what]: of(k) }))) : now,
    afterwards(p, (b) => ({ ...b, [what]: of(undefined) })),
  );
}
