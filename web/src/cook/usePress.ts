import { useEffect, useRef, useState } from 'react';
import { say } from '../ui/toast';
import type { Question } from './useQuestion';

/** What a large button does, by what it is for. */
export interface Pressable {
  id: string;
  title: string;
  label: string;
}

/** What changed under a finger within this time is asked about. */
const FRESH_MS = 1000;

/**
 * A press belongs to what stood there when the finger came down: another device may change it meanwhile. What has only
 * just changed asks again.
 */
export function usePress<T extends Pressable>(
  current: T | undefined,
  { ask, open, act }: { ask: (q: Question) => void; open: (it: T) => boolean; act: (it: T) => void },
) {
  const [held, setHeld] = useState<T | undefined>(undefined);
  const changed = useRef({ id: current?.id, at: -FRESH_MS });
  const began = useRef<{ it: T; fresh: boolean } | null>(null);
  useEffect(() => {
    if (changed.current.id !== current?.id) changed.current = { id: current?.id, at: performance.now() };
  }, [current?.id]);
  return {
    /** What the button reads: while it is pressed, what it read then. */
    shown: held ?? current,
    handlers: {
      onPressStart: () => {
        if (!current) return;
        began.current = { it: current, fresh: performance.now() - changed.current.at < FRESH_MS };
        setHeld(current);
      },
      onPressEnd: () => setHeld(undefined),
      onPress: () => {
        const pressed = began.current;
        began.current = null;
        if (!pressed) return;
        const { it, fresh } = pressed;
        if (!open(it)) say(`“${it.title}” was said meanwhile by another device. Nothing more was done.`);
        else if (fresh)
          ask({
            title: 'This has just changed',
            says: `It is now “${it.title}”. Is that what you mean?`,
            keep: 'No',
            goOn: it.label,
            go: () => act(it),
          });
        else act(it);
      },
    },
  };
}
