import { useCallback, useEffect, useRef, useState } from 'react';
import { ask, client, Refusal, type Problem, type Schemas, type SimulationRequest } from '../api/client';

interface State {
  answer: Schemas['Simulated'] | null;
  /** The window over the spread of loads is still to come. */
  pending: boolean;
  problem: Problem | null;
}

/** The window follows a hand that rests this long. */
const SPREAD_AFTER_MS = 35;

const ready = (name: string, since: number) => performance.measure(name, { start: since, end: performance.now() });

/**
 * Answers a request as it changes: quick runs one after another while it
 * moves, each for the newest request there is, then the window over the
 * spread, then what would mend its warnings. One is on its way at a time, so
 * that no answer overtakes another. What the household says beside it, like
 * its units, has it answered anew.
 */
export function useSimulation(request: SimulationRequest, household: string): State {
  const [state, setState] = useState<State>({ answer: null, pending: true, problem: null });
  const key = `${household}\n${JSON.stringify(request)}`;
  const newest = useRef('');
  const since = useRef(0);
  const busy = useRef(false);
  const spread = useRef<{ timer: ReturnType<typeof setTimeout>; stop: AbortController }>(undefined);

  const simulate = (body: string, chance: boolean, changes: boolean, signal?: AbortSignal) =>
    ask(
      client.POST('/simulations', {
        params: { query: { chance, changes, ahead: true } },
        body: JSON.parse(body.slice(body.indexOf('\n'))) as SimulationRequest,
        ...(signal ? { signal } : {}),
      }),
    );
  const refuse = (cause: unknown) => {
    const problem = cause instanceof Refusal ? cause.problem : { status: 0, title: 'No answer' };
    setState((before) => ({ ...before, pending: false, problem }));
  };

  const later = useCallback((asked: string, changed: number) => {
    const stop = new AbortController();
    const timer = setTimeout(() => {
      simulate(asked, true, false, stop.signal).then(
        async (answer) => {
          if (newest.current !== asked) return;
          setState({ answer, pending: false, problem: null });
          ready('race window', changed);
          if (answer.warnings.length === 0) return;
          // What would mend them is simulated in turn, and comes after.
          const mended = await simulate(asked, true, true, stop.signal).catch(() => null);
          if (mended && newest.current === asked) setState({ answer: mended, pending: false, problem: null });
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
        const answer = await simulate(asked, false, false);
        // Until the new spread is in, the old window stands, paler.
        setState((before) => ({
          answer: before.answer ? { ...answer, chance: before.answer.chance, verdict: before.answer.verdict } : answer,
          pending: true,
          problem: null,
        }));
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
  return state;
}
