import { useCallback, useEffect, useRef, useState } from 'react';
import { Refusal } from '../api/client';
import { drawerOf } from '../api/place';
import { complain } from './toast';

const WAIT_MS = 500;
// Pauses between tries grow to a minute.
const RETRY_MS = 2000;
const LONGEST_MS = 60_000;

/** What is on its way of each thing, and the version that this page itself made last: pages of one thing follow one another. */
const lines = new Map<string, Promise<void>>();
const made = new Map<string, number>();

const draftOf = (key: string) => drawerOf(`draft.${key}`);

interface Draft {
  /** The version it was made on. */
  version: number;
  input: unknown;
}

/** A draft that could not be sent before the page went away; the server may have a newer version by now. */
export function unsent(key: string): Draft | null {
  const kept = localStorage.getItem(draftOf(key));
  if (!kept) return null;
  try {
    return JSON.parse(kept) as Draft;
  } catch {
    return null;
  }
}

/** Kept on the server; on its way; on this device only; or changed on another device as well. */
export type Keeping = 'kept' | 'keeping' | 'unsent' | 'conflict';

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
  /** The version that the server has by now. */
  newest: () => Promise<number>;
}

export interface Kept {
  state: Keeping;
  /** What is here takes the place of what another device has kept. */
  keepMine: () => void;
  /** What another device has kept takes the place of what is here. */
  takeTheirs: () => void;
}

/** Keeps what is edited: on this device at once, on the server a moment later, and again once it answers. */
export function useKept<T>({ key, version, saved, now, possible = true, save, newest }: Keep<T>): Kept {
  const [state, setState] = useState<Keeping>('kept');
  const [base] = useState(() => {
    const draft = unsent(key);
    return draft && JSON.stringify(draft.input) !== JSON.stringify(saved) ? draft.version : version;
  });
  const on = useRef(base);
  const sent = useRef(JSON.stringify(saved));
  const retry = useRef<ReturnType<typeof setTimeout>>(undefined);
  const tries = useRef(0);
  const held = useRef(false); // by a conflict, until the cook has chosen
  const latest = useRef({ now, possible, save, newest });
  useEffect(() => {
    latest.current = { now, possible, save, newest };
  });

  const leaving = useRef(false);
  const send = useCallback(() => {
    clearTimeout(retry.current);
    const before = lines.get(key) ?? Promise.resolve();
    const next = before.then(async () => {
      const value = latest.current.now;
      const text = JSON.stringify(value);
      if (text === sent.current || held.current || !(latest.current.possible || leaving.current)) return;
      try {
        on.current = await latest.current.save(Math.max(on.current, made.get(key) ?? 0), value);
        made.set(key, on.current);
        sent.current = text;
        tries.current = 0;
        // A newer draft stays until it is sent in turn.
        if (JSON.stringify(unsent(key)?.input) === text) localStorage.removeItem(draftOf(key));
        setState('kept');
      } catch (cause) {
        const status = cause instanceof Refusal ? cause.problem.status : 500;
        if (status === 412) {
          held.current = true;
          setState('conflict');
          return;
        }
        setState((before) => {
          if (before !== 'unsent') complain(cause);
          return 'unsent';
        });
        if (status === 0 || status >= 500)
          retry.current = setTimeout(send, Math.min(LONGEST_MS, RETRY_MS * 2 ** tries.current++));
      }
    });
    lines.set(key, next);
  }, [key]);

  const text = JSON.stringify(now);
  useEffect(() => {
    if (text === sent.current) {
      // Undone before it was sent, or sent already.
      localStorage.removeItem(draftOf(key));
      held.current = false;
      setState('kept');
      return;
    }
    localStorage.setItem(
      draftOf(key),
      JSON.stringify({ version: on.current, input: latest.current.now } satisfies Draft),
    );
    if (held.current) return;
    setState((before) => (before === 'unsent' ? before : 'keeping'));
    if (!possible) return;
    const timer = setTimeout(send, WAIT_MS);
    return () => clearTimeout(timer);
  }, [text, key, possible, send]);

  useEffect(() => {
    leaving.current = false;
    window.addEventListener('online', send);
    return () => {
      window.removeEventListener('online', send);
      leaving.current = true; // the page that would tell goes away: the server decides
      send();
      clearTimeout(retry.current);
    };
  }, [send]);

  const keepMine = useCallback(() => {
    latest.current.newest().then(
      (newer) => {
        on.current = newer;
        held.current = false;
        setState('keeping');
        send();
      },
      (cause: unknown) => complain(cause),
    );
  }, [send]);
  const takeTheirs = useCallback(() => {
    localStorage.removeItem(draftOf(key));
    held.current = true; // nothing more is sent from here
    window.location.reload();
  }, [key]);
  return { state, keepMine, takeTheirs };
}
