import { useCallback, useEffect, useReducer } from 'react';

/** A draft with everything it was before, and everything undone. */
export interface History<T> {
  past: T[];
  now: T;
  future: T[];
  /** What the last change was of, so that a run of steps is one undo. */
  last: string;
  at: number;
}

type Change<T> =
  { kind: 'edit'; what: string; at: number; change: (now: T) => T } | { kind: 'undo' } | { kind: 'redo' };

const RUN_MS = 1200;
/** What is one change each time, however quickly it is done again. */
const single = /^(add|remove|drop|split|rest|mend|way|convert|kind)/;

export function step<T>(h: History<T>, c: Change<T>): History<T> {
  switch (c.kind) {
    case 'undo': {
      const before = h.past.at(-1);
      return before ? { past: h.past.slice(0, -1), now: before, future: [h.now, ...h.future], last: '', at: 0 } : h;
    }
    case 'redo': {
      const [next, ...rest] = h.future;
      return next ? { past: [...h.past, h.now], now: next, future: rest, last: '', at: 0 } : h;
    }
    case 'edit': {
      const drag = c.what.startsWith('drag');
      // A drag is one change, however long it takes, of what was there when it began.
      const run = c.what === h.last && (drag || (c.at - h.at < RUN_MS && !single.test(c.what)));
      const now = c.change(run && drag ? (h.past.at(-1) ?? h.now) : h.now);
      if (JSON.stringify(now) === JSON.stringify(h.now)) return h;
      return { past: run ? h.past : [...h.past, h.now].slice(-100), now, future: [], last: c.what, at: c.at };
    }
  }
}

/** Histories of things that were left, by their names: a dish has one, wherever it is edited. */
const left = new Map<string, History<unknown>>();

/** A draft and its history; named, it goes on where it was left, unless it was changed elsewhere meanwhile. */
export function useHistory<T>(first: T, name?: string) {
  const [history, send] = useReducer(step<T>, null, () => {
    const before = name ? (left.get(name) as History<T> | undefined) : undefined;
    if (before && JSON.stringify(before.now) === JSON.stringify(first)) return before;
    return { past: [], now: first, future: [], last: '', at: 0 };
  });
  useEffect(() => {
    if (name) left.set(name, history);
  }, [name, history]);
  const edit = useCallback(
    (what: string, change: (now: T) => T) => send({ kind: 'edit', what, at: Date.now(), change }),
    [],
  );
  const undo = useCallback(() => send({ kind: 'undo' }), []);
  const redo = useCallback(() => send({ kind: 'redo' }), []);
  return { history, edit, undo, redo };
}

/** Whether a key is for the text it is typed into, which has its own way back. */
const inText = (e: KeyboardEvent) =>
  (e.target instanceof HTMLInputElement && e.target.type === 'text' && !/decimal|numeric/.test(e.target.inputMode)) ||
  e.target instanceof HTMLTextAreaElement;

/** Control or Command with Z takes back, with Shift brings again. */
export function useUndoKeys(undo: () => void, redo?: () => void) {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (!(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== 'z' || inText(e)) return;
      e.preventDefault();
      if (e.shiftKey) redo?.();
      else undo();
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, [undo, redo]);
}
