import { useEffect, useState } from 'react';
import { ask, client, Refusal, type Schemas, type SimulationRequest } from '../api/client';

export type Bench = Schemas['Bench'];
export type BenchAnswer = Schemas['BenchAnswer'];
export type Station = BenchAnswer['stations'][number];

const AFTER_MS = 220;

interface State {
  answer: BenchAnswer | null;
  /** The bench that the answer is of. */
  of: string;
  problem: string;
}

/** Works the bench out as it changes. */
export function useBench(request: SimulationRequest | null, bench: Bench): State & { pending: boolean } {
  const key = request ? JSON.stringify({ request, bench }) : '';
  const [state, setState] = useState<State>({ answer: null, of: '', problem: '' });
  useEffect(() => {
    if (!key) return;
    const stop = new AbortController();
    const timer = setTimeout(() => {
      const body = JSON.parse(key) as { request: SimulationRequest; bench: Bench };
      ask(client.POST('/bench', { body, signal: stop.signal })).then(
        (answer) => setState({ answer, of: key, problem: '' }),
        (cause: unknown) => {
          if (stop.signal.aborted) return;
          const problem = cause instanceof Refusal ? cause.message : 'No answer';
          setState((before) => ({ ...before, of: key, problem }));
        },
      );
    }, AFTER_MS);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [key]);
  return { ...state, pending: state.of !== key };
}
