import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { Refusal, type Plan, type PlanInput } from '../api/client';
import { savePlan } from '../api/queries';
import { complain } from '../ui/toast';

const WAIT_MS = 500;

/** The part of a plan that the cook edits. */
export function inputOf(p: PlanInput): PlanInput {
  return {
    name: p.name,
    fryerId: p.fryerId,
    load: p.load,
    coat: p.coat,
    program: p.program,
    ...(p.tableTime ? { tableTime: p.tableTime } : {}),
  };
}

const drawerOf = (id: string) => `velocrustum.draft.${id}`;

/** A draft that could not be sent before the page went away, if there is one for this version. */
export function unsent(plan: Plan): PlanInput | null {
  const kept = localStorage.getItem(drawerOf(plan.id));
  if (!kept) return null;
  try {
    const draft = JSON.parse(kept) as { version: number; input: PlanInput };
    return draft.version === plan.version ? draft.input : null;
  } catch {
    return null;
  }
}

/** Keeps a draft: on this device at once, on the server a moment later. */
export function useKept(plan: Plan, now: PlanInput, possible: boolean): 'kept' | 'keeping' | 'unsent' {
  const queries = useQueryClient();
  const [state, setState] = useState<'kept' | 'keeping' | 'unsent'>('kept');
  const version = useRef(plan.version);
  const sent = useRef(JSON.stringify(inputOf(plan)));
  const chain = useRef(Promise.resolve());

  const send = useCallback(
    (draft: PlanInput) => {
      const input = draft.name.trim() ? draft : { ...draft, name: 'Unnamed dish' };
      chain.current = chain.current.then(async () => {
        const text = JSON.stringify(input);
        if (text === sent.current) return;
        try {
          const saved = await savePlan(plan.id, version.current, input);
          version.current = saved.version;
          sent.current = text;
          localStorage.removeItem(drawerOf(plan.id));
          queries.setQueryData<Plan[]>(['plans'], (all) =>
            all ? [saved, ...all.filter((p) => p.id !== saved.id)] : [saved],
          );
          setState('kept');
        } catch (cause) {
          setState('unsent');
          complain(
            cause,
            cause instanceof Refusal && cause.problem.status === 412
              ? { label: 'Load it', run: () => window.location.reload() }
              : undefined,
          );
          if (cause instanceof Refusal && cause.problem.status === 412) localStorage.removeItem(drawerOf(plan.id));
        }
      });
    },
    [plan.id, queries],
  );

  useEffect(() => {
    const text = JSON.stringify(now);
    if (text === sent.current) {
      // Undone before it was sent, or sent already.
      localStorage.removeItem(drawerOf(plan.id));
      setState('kept');
      return;
    }
    localStorage.setItem(drawerOf(plan.id), JSON.stringify({ version: version.current, input: now }));
    setState('keeping');
    // What the engine refuses stays here until it is mended.
    if (!possible) return;
    const timer = setTimeout(() => send(now), WAIT_MS);
    return () => clearTimeout(timer);
  }, [now, plan.id, possible, send]);

  const latest = useRef({ now, possible });
  useEffect(() => {
    latest.current = { now, possible };
  });
  useEffect(
    () => () => {
      if (latest.current.possible) send(latest.current.now);
    },
    [send],
  );

  return state;
}
