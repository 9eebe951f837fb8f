import { useState } from 'react';
import type { Fryer, Problem, Schemas } from '../api/client';
import type { Dish } from '../dish/useDish';
import { chosenOf } from './Baskets';
import { useBaskets } from './useBaskets';

/** The baskets of a dish: whether there is a choice at all, which is shown, and which way is chosen. */
export function useDishBaskets(
  dish: Dish,
  fryers: Fryer[],
  answer: Schemas['Simulated'] | null,
  problem: Problem | null,
) {
  const { draft, edit } = dish;
  const sum = (all: { load: { pieces: number } }[]) => all.reduce((n, lot) => n + lot.load.pieces, 0);
  const pieces = sum(answer?.laid ?? draft.lots);
  const second = fryers.find((f) => f.id === draft.secondFryerId);
  const crowded =
    draft.perBasket !== undefined ||
    second !== undefined ||
    (answer !== null && draft.lots.length === 1 && answer.basket?.room === 0 && pieces > 1) ||
    (problem?.errors?.some((e) => e.field === 'lots[0].load.pieces') ?? false);
  const { answer: baskets, pending } = useBaskets(crowded ? dish.request : null);
  const [wanted, show] = useState(0);
  const list = baskets?.batchings.find((b) => b.id === chosenOf(draft))?.baskets ?? [];
  const shown = Math.min(wanted, Math.max(0, list.length - 1));
  const helper = fryers.find((f) => f.id !== draft.fryerId);
  const several = baskets?.batchings.find((b) => b.id === 'several')?.baskets[0]?.pieces;
  const choose = (id: string) =>
    edit('baskets', (now) => ({
      ...now,
      perBasket: id === 'several' ? several : undefined,
      secondFryerId: id === 'together' ? (now.secondFryerId ?? helper?.id) : undefined,
    }));
  return {
    baskets,
    pending: pending && crowded,
    crowded,
    pieces,
    second,
    helper,
    several,
    shown,
    show,
    choose,
    // The first of several is the one that is edited, and answers at once.
    other: shown > 0 || second ? list[shown] : undefined,
  };
}
