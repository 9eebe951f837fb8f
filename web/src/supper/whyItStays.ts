import type { SheetTask } from './useSupper';

const stays: Record<string, string> = {
  wait: 'It lasts as long as was chosen on the bench: hold what comes before it.',
  rest: 'It rests as long as its rule asks for.',
  heat: 'It goes with what comes next: hold that.',
  turn: 'It goes with its basket: hold the basket.',
  out: 'It goes with its basket: hold the basket.',
  flash: 'It goes in right before the plates go out.',
  hold: 'It waits there until it is wanted.',
  toss: 'It is done right before the plates go out.',
  finish: 'It is done right before the plates go out.',
  table: 'The table’s time is in the sentence above.',
};

/** Why a task is not held to a moment of its own; undefined where it may be. */
export const whyItStays = (t: SheetTask): string | undefined => stays[t.kind];
