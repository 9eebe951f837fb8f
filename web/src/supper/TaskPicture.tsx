import {
  ArrowDownToLine,
  ArrowUpFromLine,
  CookingPot,
  Flame,
  Hand,
  Heater,
  Hourglass,
  RotateCw,
  Salad,
  Soup,
  Sparkles,
  Utensils,
  Zap,
} from 'lucide-react';
import type { SheetTask } from './useSupper';

const pictures: Record<string, typeof Hand> = {
  bench: Hand,
  wait: Hourglass,
  rest: Hourglass,
  heat: Flame,
  load: ArrowDownToLine,
  run: Flame,
  turn: RotateCw,
  out: ArrowUpFromLine,
  hold: Heater,
  flash: Zap,
  pan: CookingPot,
  simmer: CookingPot,
  toss: Soup,
  finish: Sparkles,
  step: Salad,
  table: Utensils,
};

/** The picture of what is done, where there is no room for its words. */
export function TaskPicture({ kind, size }: { kind: SheetTask['kind']; size: number }) {
  const Drawn = pictures[kind] ?? Hand;
  return <Drawn size={size} aria-hidden />;
}
