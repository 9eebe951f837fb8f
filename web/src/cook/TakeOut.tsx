import { useState } from 'react';
import { Ask } from './Ask';
import { Big, Half } from './Buttons';
import type { Watched } from './watched';

/** Takes food out as told; what is not yet safe by what is known asks once, plainly. */
export function useTakeOut(out: (food: Watched) => void) {
  const [asked, setAsked] = useState<Watched | null>(null);
  return {
    takeOut: (food: Watched, nowMs: number) => {
      const { asks } = food;
      if (asks && (asks.until == null || nowMs < Date.parse(asks.until))) setAsked(food);
      else out(food);
    },
    question: (
      <Ask title="Not surely safe yet" open={asked !== null} shut={() => setAsked(null)}>
        <p>{asked?.asks?.says}</p>
        <Big onPress={() => setAsked(null)}>Leave it in</Big>
        <Half
          onPress={() => {
            if (asked) out(asked);
            setAsked(null);
          }}
        >
          Take it out all the same
        </Half>
      </Ask>
    ),
  };
}
