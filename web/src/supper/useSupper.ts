import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, client, type Schemas } from '../api/client';
import { delivered } from '../api/outbox';
import { saveSupper, workSheet } from '../api/queries';
import { useWorkedOut } from '../api/useWorkedOut';
import { useHistory, useUndoKeys, type Run } from '../ui/history';
import { unsent, useKept } from '../ui/useKept';

export type Supper = Schemas['Supper'];
export type Evening = Schemas['Evening'];
export type Sheet = Schemas['Sheet'];
export type SheetTask = Schemas['SheetTask'];

export interface Draft {
  name: string;
  evening: Evening;
}
export type EditSupper = (run: Run, change: (now: Evening) => Evening) => void;

const draftOf = (s: Supper): Draft => ({ name: s.name, evening: s.evening });

/** One supper: its draft, what it was before, and where it is kept. */
export function useSupper(supper: Supper) {
  const [opened] = useState(supper);
  const [saved] = useState(() => draftOf(supper));
  const [first] = useState(() => (unsent(supper.id)?.input as Draft | undefined) ?? saved);
  const { history, edit, undo, redo } = useHistory(first, supper.id);
  useUndoKeys(undo, redo);
  const draft = history.now;
  const [possible, setPossible] = useState(true);
  const queries = useQueryClient();
  const kept = useKept({
    key: supper.id,
    version: opened.version ?? 0,
    saved,
    now: draft,
    possible,
    save: async (version, d) => {
      delivered(`/suppers/${opened.id}`);
      const got = await saveSupper(opened.id, version, { id: opened.id, ...d, name: d.name.trim() || 'Supper' });
      queries.setQueryData<Supper[]>(['suppers'], (all) => (all ?? []).map((s) => (s.id === got.id ? got : s)));
      return got.version ?? version + 1;
    },
    newest: async () => (await ask(client.GET('/suppers'))).find((s) => s.id === opened.id)?.version ?? 0,
  });
  return {
    draft,
    rename: (name: string) => edit('name', (d) => ({ ...d, name })),
    edit: ((run, change) => edit(run, (d) => ({ ...d, evening: change(d.evening) }))) as EditSupper,
    undo,
    redo,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    kept,
    setPossible,
  };
}

/** The sheet of an evening, worked out as it changes; null asks nothing. */
export const useSheet = (evening: Evening | null, household: string) =>
  useWorkedOut(evening, { name: 'sheet', restMs: 50, household, work: workSheet });
