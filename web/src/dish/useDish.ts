import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import type { Plan, PlanInput } from '../api/client';
import { delivered } from '../api/outbox';
import { getPlan, savePlan } from '../api/queries';
import { useHistory, useUndoKeys, type Run } from '../ui/history';
import { unsent, useKept } from '../ui/useKept';
import { inputOf, requestOf } from './input';

export type EditDish = (run: Run, change: (now: PlanInput) => PlanInput) => void;

/** One dish on a page: its draft, what it was before, where it is kept, and what it asks. */
export function useDish(plan: Plan) {
  // The plan as it was when this dish was opened; later saves are our own.
  const [opened] = useState(plan);
  const [saved] = useState(() => inputOf(plan));
  const [first] = useState(() => (unsent(plan.id)?.input as PlanInput | undefined) ?? saved);
  const { history, edit, undo, redo } = useHistory(first, plan.id);
  useUndoKeys(undo, redo);
  const draft = history.now;
  // What cannot be stays on this device until it is mended.
  const [possible, setPossible] = useState(true);
  const queries = useQueryClient();
  const kept = useKept({
    key: plan.id,
    version: opened.version,
    saved,
    now: draft,
    possible,
    save: async (version, input) => {
      delivered(`/plans/${opened.id}`); // a new dish goes before its changes
      const got = await savePlan(opened.id, version, { ...input, name: input.name.trim() || 'Unnamed dish' });
      queries.setQueryData<Plan[]>(['plans'], (all) => [got, ...(all ?? []).filter((p) => p.id !== got.id)]);
      return got.version;
    },
    newest: async () => (await getPlan(opened.id)).version,
  });
  const request = useMemo(() => requestOf(draft), [draft]);
  return {
    draft,
    edit,
    undo,
    redo,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    kept,
    request,
    setPossible,
  };
}

export type Dish = ReturnType<typeof useDish>;
