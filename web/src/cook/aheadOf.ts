import type { Schemas } from '../api/client';

/** What is ahead of one lot of a cook, with what was read in it; of all of it where there is one lot. */
export const aheadOf = (all: Schemas['CookAhead'], lot: number | null): Schemas['CookAhead'] =>
  lot === null
    ? all
    : {
        now: all.now.lots?.[lot] ?? all.now,
        before: all.before.lots?.[lot] ?? all.before,
        readings: all.readings.filter((r) => (r.lot ?? 0) === lot),
      };
