import { useCallback, useEffect, useReducer } from 'react';

/** One drag, by when it began: one change, however long it takes. */
export interface Drag {
  drag: number;
}

/** A change that is undone by itself, however quickly the next follows. */
export const once = { once: true } as const;

/** Which changes are undone together: those of one name soon after one another, those of one drag. */
export type Run = string | Drag | typeof once;

/** The same for one part of several. */
export const runIn = (run: Run, part: string | number): Run => (typeof run === 'string' ? `${run} ${part}` : run);

/** A draft with everything it was before, and everything undone. */
export interface History<T> {
  past: T[];
  now: T;
  future: T[];
  /** What the last change was of. */
  last: Run;
  at: number;
}

type Change<T> = { kind: 'edit'; run: Run; at: number; change: (now: T) => T } | { kind: 'undo' } | { kind: 'redo' };

const RUN_MS = 1200;

const isDrag = (r: Run): r is Drag => typeof r === 'object' && 'drag' in r;

const oneRun = (a: Run, b: Run) => (isDrag(a) && isDrag(b) ? a.drag === b.drag : typeof a === 'string' && a === b);

export function step<T>(h: History<T>, c: Change<T>): History<T> {
  switch (c.kind) {
    case 'undo': {
      const before = h.past.at(-1);
      return before ? { past: h.past.slice(0, -1), now: before, future: [h.now, ...h.future], last: once, at: 0 } : h;
    }
    case 'redo': {
      const [next, ...rest] = h.future;
      return next ? { past: [...h.past, h.now], now: next, future: rest, last: once, at: 0 } : h;
    }
    case 'edit': {
      const drag = isDrag(c.run);
      const run = oneRun(c.run, h.last) && (drag || c.at - h.at < RUN_MS);
      // Each move of a drag is of what was there when it began.
      const now = c.change(run && drag ? (h.past.at(-1) ?? h.now) : h.now);
      if (JSON.stringify(now) === JSON.stringify(h.now)) return h;
      return { past: run ? h.past : [...h.past, h.now].slice(-100), now, future: [], last: c.run, at: c.at };
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
    return { past: [], now: first, future: [], last: once, at: 0 };
  });
  useEffect(() => {
    if (name) left.set(name, history);
  }, [name, history]);
  const edit = useCallback(
    (run: Run, change: (now: T) => T) => send({ kind: 'edit', run, at: Date.now(), change }),
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
