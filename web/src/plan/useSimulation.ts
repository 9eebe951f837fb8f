import { useEffect, useRef, useState } from 'react';
import { ask, client, Refusal, type Problem, type Simulation, type SimulationRequest } from '../api/client';

interface State {
  answer: Simulation | null;
  /** The window over the spread of loads is still to come. */
  pending: boolean;
  problem: Problem | null;
}

const SPREAD_AFTER_MS = 60;

/**
 * Answers a request as it changes: first one quick run, then the window over
 * the spread. An answer to an older request is never shown.
 */
export function useSimulation(request: SimulationRequest | null): State {
  const [state, setState] = useState<State>({ answer: null, pending: true, problem: null });
  const key = request ? JSON.stringify(request) : '';
  const newest = useRef('');
  useEffect(() => {
    if (!key) return;
    newest.current = key;
    const stop = new AbortController();
    const body = JSON.parse(key) as SimulationRequest;
    const run = async (chance: boolean) => {
      try {
        const answer = await ask(
          client.POST('/simulations', { params: { query: { chance } }, body, signal: stop.signal }),
        );
        if (newest.current !== key) return;
        setState((before) =>
          chance
            ? { answer, pending: false, problem: null }
            : // Until the new spread is in, the old window stands, paler.
              {
                answer: before.answer
                  ? { ...answer, chance: before.answer.chance, verdict: before.answer.verdict }
                  : answer,
                pending: true,
                problem: null,
              },
        );
      } catch (cause) {
        if (stop.signal.aborted || newest.current !== key) return;
        const problem = cause instanceof Refusal ? cause.problem : { status: 0, title: 'No answer' };
        setState((before) => ({ ...before, pending: false, problem }));
      }
    };
    void run(false);
    const timer = setTimeout(() => void run(true), SPREAD_AFTER_MS);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [key]);
  return state;
}
