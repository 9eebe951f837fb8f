import type { Schemas } from '../api/client';

type LotAnswer = Schemas['LotAnswer'];

/** A lot while it is in the basket; what stays with the last is drawn on as far as is looked. */
export const inBasket = (lot: LotAnswer, totalMin: number): LotAnswer => {
  const until = lot.outMin < totalMin ? lot.outMin : Infinity;
  return { ...lot, timeline: lot.timeline.filter((m) => m.minute >= lot.inMin && m.minute <= until) };
};

/** The lots that lie beside the one in front. */
export const besideOf = (kinds: LotAnswer[], front: number, totalMin: number) =>
  kinds.length > 1
    ? kinds.flatMap((lot, k) => (k === front ? [] : [{ name: lot.name, timeline: inBasket(lot, totalMin).timeline }]))
    : undefined;
