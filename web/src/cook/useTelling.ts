import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import type { Cook, Schemas } from '../api/client';
import { onAnswer, tap, untap, useWaiting } from '../api/outbox';
import { takeBack } from '../api/queries';
import { complain } from '../ui/toast';
import { readyChime } from './chime';

export type Told = Schemas['CookEventInput']['kind'];

/** Follows what is answered: a cook that is over leads to its entry, also where it is not shown any more. */
export function useAnswers() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  useEffect(
    () =>
      onAnswer((of, answer) => {
        void queries.invalidateQueries({ queryKey: ['live'] });
        if (!answer || (of.event.kind !== 'out' && of.event.kind !== 'stop')) return;
        void queries.invalidateQueries({ queryKey: ['cooks'] });
        void queries.invalidateQueries({ queryKey: ['cook', of.cook] });
        void navigate(`/logbook/${of.cook}`);
      }),
    [queries, navigate],
  );
}

/** What the cook says, and takes back. Nothing tapped is lost: it waits on this device until it is answered. */
export function useTelling(cook: Cook, skewMs: number) {
  const queries = useQueryClient();
  const waiting = useWaiting(cook.id);
  const tell = (kind: Told, value?: number) => {
    readyChime();
    tap(cook.id, skewMs, kind, value);
  };
  const last = waiting.at(-1)?.event ?? cook.events.at(-1);
  const undo = async () => {
    if (!last?.id) return;
    if (waiting.length > 0) {
      untap(last.id);
      return;
    }
    try {
      await takeBack(cook.id, last.id);
      await queries.invalidateQueries({ queryKey: ['live'] });
    } catch (cause) {
      complain(cause);
    }
  };
  return { waiting, tell, last, undo: () => void undo() };
}
