import { useState } from 'react';
import type { Schemas } from '../api/client';
import { Ask } from './Ask';
import { Big, Half } from './Buttons';

export interface Question {
  title: string;
  says: string;
  /** What leaves it as it is, and what goes on all the same. */
  keep: string;
  goOn: string;
  go: () => void;
}

/** Whether something has to be asked still. */
export const stillAsks = (asks: Schemas['AsksFirst'] | undefined, nowMs: number) =>
  asks !== undefined && (asks.until == null || nowMs < Date.parse(asks.until));

/** One question at a time, plainly, with leaving it as the large answer. */
export function useQuestion() {
  const [asked, setAsked] = useState<Question | null>(null);
  return {
    ask: setAsked,
    question: (
      <Ask title={asked?.title ?? ''} open={asked !== null} shut={() => setAsked(null)}>
        <p>{asked?.says}</p>
        <Big onPress={() => setAsked(null)}>{asked?.keep}</Big>
        <Half
          onPress={() => {
            setAsked(null);
            asked?.go(); // which may ask something else
          }}
        >
          {asked?.goOn}
        </Half>
      </Ask>
    ),
  };
}
