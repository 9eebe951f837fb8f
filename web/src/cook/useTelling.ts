import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Cook, Schemas } from '../api/client';
import { sayToCook, takeBack } from '../api/queries';
import { complain } from '../ui/toast';
import { readyChime } from './chime';

export type Told = Schemas['CookEventInput']['kind'];

/** What the cook says, and takes back. */
export function useTelling(cook: Cook) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const tell = async (kind: Told, value?: number) => {
    readyChime();
    setBusy(true);
    try {
      const after = await sayToCook(cook.id, value === undefined ? { kind } : { kind, value });
      if (kind === 'out' || kind === 'stop') {
        await queries.invalidateQueries({ queryKey: ['cooks'] });
        queries.setQueryData(['cook', cook.id], after);
        await navigate(`/logbook/${cook.id}`);
      }
      await queries.invalidateQueries({ queryKey: ['live'] });
    } catch (cause) {
      complain(cause);
    }
    setBusy(false);
  };
  const last = cook.events.at(-1);
  const undo = async () => {
    if (!last) return;
    try {
      await takeBack(cook.id, last.id);
      await queries.invalidateQueries({ queryKey: ['live'] });
    } catch (cause) {
      complain(cause);
    }
  };
  return { busy, tell: (kind: Told, value?: number) => void tell(kind, value), last, undo: () => void undo() };
}
