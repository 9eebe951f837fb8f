import type { Catalog, Schemas } from './client';

/** The least, the most and the step of a figure, by its field. */
export function limitOf(catalog: Pick<Catalog, 'limits'>, field: string): Schemas['Range'] {
  const range = catalog.limits[field];
  if (!range) throw new Error(`no limit is known for ${field}`);
  return range;
}

/** The same for a stepper. */
export function within(catalog: Catalog, field: string): { min: number; max: number; step: number } {
  const { min, max, step } = limitOf(catalog, field);
  return { min, max, step };
}
