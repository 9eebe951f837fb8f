import { stillAsks, type Question } from './useQuestion';
import type { Watched } from './watched';

/** Takes food out as told; what is not yet safe by what is known asks once, plainly. */
export const takesOut =
  (ask: (q: Question) => void, out: (food: Watched) => void) =>
  (food: Watched, nowMs: number): void => {
    const { asks } = food;
    if (asks && stillAsks(asks, nowMs))
      ask({
        title: food.soft ? 'Not done yet' : 'Not surely safe yet',
        says: asks.says,
        keep: 'Leave it in',
        goOn: 'Take it out all the same',
        go: () => out(food),
      });
    else out(food);
  };
