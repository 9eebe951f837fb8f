import type { FryerInput } from '../api/client';

/** A change to a fryer; a time of null is forgotten. */
export type Change = Omit<Partial<FryerInput>, 'heatUpMin'> & { heatUpMin?: number | null };

/** What of a change is to be kept. */
export function known({ heatUpMin, ...rest }: Change): Partial<FryerInput> {
  return { ...rest, ...(heatUpMin == null ? {} : { heatUpMin }) };
}
