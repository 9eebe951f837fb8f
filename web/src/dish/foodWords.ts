import type { Catalog, Lot, PlanInput } from '../api/client';

/** What a dish is of: so many of each cut. */
export function foodWords({ lots }: Pick<PlanInput, 'lots'>, catalog: Pick<Catalog, 'cuts'>): string {
  const counts = new Map<string, number>();
  for (const { load } of lots) counts.set(load.cut, (counts.get(load.cut) ?? 0) + load.pieces);
  return [...counts]
    .map(([id, n]) => {
      const cut = catalog.cuts.find((c) => c.id === id);
      return `${n} ${(n === 1 ? cut?.name : cut?.plural) ?? ''}`;
    })
    .join(', ');
}

/** What a lot is called: its name, or its cut. */
export function lotName({ name, load }: Lot, catalog: Pick<Catalog, 'cuts'>): string {
  const cut = catalog.cuts.find((c) => c.id === load.cut);
  return name || ((load.pieces === 1 ? cut?.name : cut?.plural) ?? '');
}
