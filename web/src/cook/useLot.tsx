import { useState } from 'react';
import { Tabs } from '../ui/Tabs';
import type { Told } from './useTelling';
import { ofLot, type Watched } from './watched';

type Tell = (what: string, event: Told) => void;

/** What is seen in one lot; the rest is of the basket. */
const OF_A_LOT: Told['kind'][] = ['probe', 'look', 'raw', 'soft', 'floury', 'left-in'];

/** Of those that are in, the one that is surely safe last. */
const slowest = ({ lots }: Watched) => {
  const when = (k: number) => (lots[k]?.goesInMin === undefined ? (lots[k]?.safeByMin ?? Infinity) : -1);
  return lots.reduce((last, _, k) => (when(k) > when(last) ? k : last), 0);
};

/** Which of several lots is looked at: what is read and seen is told of that one. */
export function useLot(food: Watched, tell: Tell) {
  // It stays under the finger, whatever is foreseen meanwhile.
  const [chosen, choose] = useState(() => slowest(food));
  if (food.lots.length < 2) return { lot: food, tellOf: tell, picker: null };
  const lot = Math.min(chosen, food.lots.length - 1);
  const tellOf: Tell = (what, event) => {
    const mine = OF_A_LOT.includes(event.kind);
    tell(mine ? `${what}, ${food.lots[lot]?.name ?? ''}` : what, mine ? { ...event, lot } : event);
  };
  const picker = (
    <Tabs
      large
      label="Of which of them"
      tabs={food.lots.map((l) => `${l.pieces} ${l.name}`)}
      shown={lot}
      show={choose}
    />
  );
  return { lot: ofLot(food, lot), tellOf, picker };
}
