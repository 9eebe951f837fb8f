import { useCallback, useEffect, useRef, useState } from 'react';
import { Refusal } from '../api/client';
import { complain } from './toast';

const WAIT_MS = 500;
const RETRY_MS = 4000;

const drawerOf = (key: string) => `velocrustum.draft.${key}`;

/** A draft that could not be sent before the page went away, if there is one for this version. */
export function unsent(key: string, version: number): unknown {
  const kept = localStorage.getItem(drawerOf(key));
  if (!kept) return null;
  try {
    const draft = JSON.parse(kept) as { version: number; input: unknown };
    return draft.version === version ? draft.input : null;
  } catch {
    return null;
  }
}

interface Keep<T> {
  /** Names the draft on this device. */
  key: string;
  /** The version and value that the server has. */
  version: number;
  saved: T;
  now: T;
  /** What cannot be stays here until it is mended. */
  possible?: boolean;
  /** Sends a value made on a version, and answers with the new version. */
  save: (version: number, value: T) => Promise<number>;
}

/** Keeps what is edited: on this device at once, on the server a moment later, and again once it answers. */
export function useKept<T>({
  key,
  version,
  saved,
  now,
  possible = true,
  save,
}: Keep<T>): 'kept' | 'keeping' | 'unsent' {
  const [state, setState] = useState<'kept' | 'keeping' | 'unsent'>('kept');
  const on = useRef(version);
  const sent = useRef(JSON.stringify(saved));
  const chain = useRef(Promise.resolve());
  const retry = useRef<ReturnType<typeof setTimeout>>(undefined);
  const latest = useRef({ now, possible, save });
  useEffect(() => {
    latest.current = { now, possible, save };
  });

  const send = useCallback(() => {
    clearTimeout(retry.current);
    chain.current = chain.current.then(async () => {
      const value = latest.current.now;
      const text = JSON.stringify(value);
      if (text === sent.current || !latest.current.possible) return;
      try {
        on.current = await latest.current.save(on.current, value);
        sent.current = text;
        localStorage.removeItem(drawerOf(key));
        setState('kept');
      } catch (cause) {
        const status = cause instanceof Refusal ? cause.problem.status : 500;
        if (status === 412) {
          // Another device was first: its version counts from here.
          localStorage.removeItem(drawerOf(key));
          complain(cause, { label: 'Load it', run: () => window.location.reload() });
        } else {
          setState((before) => {
            if (before !== 'unsent') complain(cause);
            return 'unsent';
          });
          if (status === 0) retry.current = setTimeout(send, RETRY_MS);
        }
      }
    });
  }, [key]);

  const text = JSON.stringify(now);
  useEffect(() => {
    if (text === sent.current) {
      // Undone before it was sent, or sent already.
      localStorage.removeItem(drawerOf(key));
      setState('kept');
      return;
    }
    localStorage.setItem(drawerOf(key), JSON.stringify({ version: on.current, input: latest.current.now }));
    setState((before) => (before === 'unsent' ? before : 'keeping'));
    if (!possible) return;
    const timer = setTimeout(send, WAIT_MS);
    return () => clearTimeout(timer);
  }, [text, key, possible, send]);

  useEffect(
    () => () => {
      send();
      clearTimeout(retry.current);
    },
    [send],
  );
  return state;
}
