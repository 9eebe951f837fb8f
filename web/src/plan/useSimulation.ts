import { useCallback, useEffect, useRef, useState } from 'react';
import { AGAIN_MS, ask, client, Refusal, type Problem, type Schemas, type Simulable } from '../api/client';

type Simulated = Schemas['Simulated'];

interface State {
  answer: Simulated | null;
  /** What it answers. */
  of: string;
  /** The window over the spread of loads is still to come. */
  pending: boolean;
  problem: Problem | null;
  /** What was refused. */
  refused: string;
}

/** How long what was drawn of the dish before stays under a hand that moves on, so that nothing flickers. */
const LINGERS_MS = 120;

/** The window follows a hand that rests this long. */
const SPREAD_AFTER_MS = 35;

const ready = (name: string, since: number) => performance.measure(name, { start: since, end: performance.now() });

/** A key without what the household says beside it. */
const bodyOf = (key: string) => key.slice(key.indexOf('\n') + 1);

const brushed = (key: string) => {
  const { program, chambers = [] } = JSON.parse(bodyOf(key)) as Simulable;
  return [program, ...chambers.map((c) => c.program)].some((p) => p?.turns?.some((t) => t.kind === 'brush'));
};

const simulate = (asked: string, chance: boolean, changes: boolean, signal?: AbortSignal) =>
  ask(
    client.POST('/simulations', {
      params: { query: { chance, changes, ahead: true } },
      body: JSON.parse(asked) as Simulable,
      ...(signal ? { signal } : {}),
    }),
  );

/** What the first page asks, under way before it is drawn, and its answer once it is here. */
let first: { asked: string; coming: Promise<Simulated>; here?: Simulated } | undefined;

/** Asks quickly for what the first page will ask in a moment. */
export function foresee(request: Simulable) {
  const asked = JSON.stringify(request);
  const ahead: typeof first = { asked, coming: simulate(asked, false, false) };
  first = ahead;
  ahead.coming.then(
    (answer) => (ahead.here = answer),
    () => undefined, // whoever asks for it is told
  );
}

/** Takes what was foreseen, once. */
function take(asked: string) {
  const found = first?.asked === asked ? first.coming : undefined;
  first = undefined;
  return found;
}

/**
 * Answers a request as it changes: quick runs one after another while it
 * moves, each for the newest request there is, then the window over the
 * spread, then what would mend its warnings. One is on its way at a time, so
 * that no answer overtakes another. What the household says beside it, like
 * its units, has it answered anew.
 */
export function useSimulation(request: Simulable, household: string) {
  const asked = JSON.stringify(request);
  const key = `${household}\n${asked}`;
  const [state, setState] = useState<State>(() => ({
    answer: (first?.asked === asked && first.here) || null,
    of: key,
    pending: true,
    problem: null,
    refused: '',
  }));
  // What was said of the dish before is gone at the first key; what was drawn of it, a blink later.
  const [lingering, setLingering] = useState('');
  const here = state.of === key;
  useEffect(() => {
    if (here) return;
    const timer = setTimeout(() => setLingering(key), LINGERS_MS);
    return () => clearTimeout(timer);
  }, [here, key]);
  const newest = useRef('');
  const since = useRef(0);
  const busy = useRef(false);
  const spread = useRef<{ timer: ReturnType<typeof setTimeout>; stop: AbortController }>(undefined);

  const refuse = (cause: unknown) => {
    const problem = cause instanceof Refusal ? cause.problem : { status: 0, title: 'No answer' };
    setState((before) => ({ ...before, pending: false, problem, refused: newest.current }));
  };

  const later = useCallback((asked: string, changed: number) => {
    const stop = new AbortController();
    const timer = setTimeout(() => {
      simulate(bodyOf(asked), true, false, stop.signal).then(
        async (answer) => {
          if (newest.current !== asked) return;
          setState({ answer, of: asked, pending: false, problem: null, refused: '' });
          ready('race window', changed);
          if (answer.warnings.length === 0 && !brushed(asked)) return;
          // What would mend them is simulated in turn, and comes after.
          const mended = await simulate(bodyOf(asked), true, true, stop.signal).catch(() => null);
          if (mended && newest.current === asked)
            setState({ answer: mended, of: asked, pending: false, problem: null, refused: '' });
        },
        (cause: unknown) => {
          if (!stop.signal.aborted && newest.current === asked) refuse(cause);
        },
      );
    }, SPREAD_AFTER_MS);
    spread.current = { timer, stop };
  }, []);

  const pump = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    let asked = '';
    while (newest.current && asked !== newest.current) {
      asked = newest.current;
      const changed = since.current;
      try {
        const answer = await (take(bodyOf(asked)) ?? simulate(bodyOf(asked), false, false));
        const of = asked;
        setState({ answer, of, pending: true, problem: null, refused: '' });
        ready('race answer', changed);
        if (asked === newest.current) later(asked, changed);
      } catch (cause) {
        if (asked === newest.current) refuse(cause);
      }
    }
    busy.current = false;
  }, [later]);

  useEffect(() => {
    newest.current = key;
    since.current = performance.now();
    if (spread.current) {
      clearTimeout(spread.current.timer);
      spread.current.stop.abort();
    }
    void pump();
  }, [key, pump]);
  useEffect(
    () => () => {
      newest.current = '';
      if (spread.current) {
        clearTimeout(spread.current.timer);
        spread.current.stop.abort();
      }
    },
    [],
  );
  const refused = state.refused === key;
  const silent = refused && state.problem?.status === 0;
  useEffect(() => {
    if (!silent) return;
    const timer = setInterval(() => void pump(), AGAIN_MS);
    return () => clearInterval(timer);
  }, [silent, pump]);
  return {
    /** What is known of the dish as it stands; nothing of the one before. */
    answer: here ? state.answer : null,
    /** The last there was, of this dish or the one before: for what has to stay where it is under a hand. */
    last: state.answer,
    /** Whether the last may be drawn: it is of this dish, or was a blink ago. */
    drawn: here || (lingering !== key && !refused),
    pending: refused ? false : !here || state.pending,
    problem: refused ? state.problem : null,
  };
}
