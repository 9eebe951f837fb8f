import { say } from '../ui/toast';
import { useCallback, useEffect, useRef, useState } from 'react';
import { totalOf, withExtras, type Grain } from './program';
import { ask, client, Refusal, type PlanInput, type Schemas, type SimulationRequest } from '../api/client';

/** Whether some lots go in later or come out sooner: then the length of the program says how long they are in it. */
const timed = ({ lots }: SimulationRequest) => lots?.some((lot) => lot.inMin || lot.outMin) ?? false;

export type Proposal = Schemas['Proposal'];

interface State {
  /** Which load, and what is wanted of it. */
  of: string;
  ways: Proposal[];
  /** Why none of them is to be recommended; empty if the first is. */
  says: string;
  /** How far the search is; null when none is going on. */
  progress: { done: number; of: number } | null;
  problem: string | null;
}

const AFTER_MS = 350;
const NONE: State = { of: '', ways: [], says: '', progress: null, problem: null };

/** A dish on one of the ways: its lots go in and come out as was foretold of it. */
export const followWay = (p: PlanInput, way: Proposal, grain: Grain): PlanInput => ({
  ...p,
  program: withExtras(way.program, p.program, grain),
  lots: p.lots.map((lot, k) => {
    const { inMin, outMin } = way.lots?.[k] ?? {};
    return { ...lot, inMin: inMin || undefined, outMin };
  }),
});

/** The lines of an answer as they come. */
async function* lines(stream: ReadableStream<Uint8Array>): AsyncGenerator<Schemas['RecommendationLine']> {
  const reader = stream.getReader();
  const text = new TextDecoder();
  let rest = '';
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return;
    const parts = (rest + text.decode(value, { stream: true })).split('\n');
    rest = parts.pop() ?? '';
    for (const part of parts) yield JSON.parse(part) as Schemas['RecommendationLine'];
  }
}

/** Every way of running a load, searched anew when the load or what its household has settled changes; it can be given up. */
export function useWays(request: SimulationRequest | null, want: string, household: string) {
  const [state, setState] = useState<State>(NONE);
  const running = useRef<AbortController>(undefined);
  // A way does not depend on the program that stands.
  const key = request
    ? JSON.stringify({
        ...request,
        tailMin: 0,
        program: {
          preheatMin: request.program.preheatMin ?? 0,
          stages: [{ airC: 190, minutes: timed(request) ? totalOf(request.program) : 20 }],
        },
      })
    : '';

  const of = `${want}\n${household}\n${key}`;

  const search = useCallback(async (of: string, body: string, want: string, stop: AbortController) => {
    setState({ ...NONE, of, progress: { done: 0, of: 0 } });
    try {
      const stream = (await ask(
        client.POST('/recommendations', {
          params: { query: { want } },
          body: JSON.parse(body) as SimulationRequest,
          parseAs: 'stream',
          signal: stop.signal,
        }) as Promise<{ data?: ReadableStream<Uint8Array> | null; response: Response }>,
      )) as ReadableStream<Uint8Array>;
      for await (const line of lines(stream)) {
        if (line.recommendation) {
          const { ways, says = '' } = line.recommendation;
          setState({ of, ways, says, progress: null, problem: null });
        } else if (line.problem) {
          throw new Refusal(line.problem);
        } else {
          setState((before) => ({ ...before, progress: { done: line.done ?? 0, of: line.of ?? 0 } }));
        }
      }
    } catch (cause) {
      if (stop.signal.aborted) return;
      setState({ ...NONE, of, problem: cause instanceof Error ? cause.message : 'No answer' });
    }
  }, []);

  useEffect(() => {
    if (!key) return;
    const stop = new AbortController();
    running.current = stop;
    const timer = setTimeout(() => void search(of, key, want, stop), AFTER_MS);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [of, key, want, search]);

  const cancel = useCallback(() => {
    running.current?.abort();
    setState((before) => ({ ...before, progress: null }));
  }, []);
  const again = useCallback(() => {
    const stop = new AbortController();
    running.current = stop;
    void search(of, key, want, stop);
  }, [of, key, want, search]);
  // The ways of the load before are no answer for this one.
  const here = state.of === of;
  return { ...(here ? state : { ...NONE, progress: { done: 0, of: 0 } }), cancel, again };
}

/** Two ways that are laid beside each other. */
export function useCompared(ways: Proposal[]) {
  const [pinned, setPinned] = useState<string[]>([]);
  return {
    pinned,
    ways: ways.filter((w) => pinned.includes(w.way)),
    pin: (way: string, on: boolean) => {
      setPinned((now) => (on ? [...now, way] : now.filter((w) => w !== way)));
      if (on) say(pinned.length === 0 ? 'Choose another to compare it with.' : 'Both are compared above.');
    },
    close: () => setPinned([]),
  };
}
