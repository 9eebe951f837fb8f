import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import type { Cook, Schemas } from '../api/client';
import { cookOf, onAnswer, tap, untap, useWaiting } from '../api/outbox';
import { takeBack } from '../api/queries';
import { complain } from '../ui/toast';
import { readyChime } from './chime';

export type Told = Schemas['CookEventInput']['kind'];

/** What can be said in a cook, in few words. */
export const said: Record<Told, string> = {
  loaded: 'food is in',
  turned: 'turned',
  dialled: 'dial set',
  more: 'more minutes',
  out: 'it is out',
  probe: 'probe reading',
  look: 'how it looks',
  stop: 'given up',
};

/** Follows what is answered: a cook that is over leads to its entry, also where it is not shown any more. */
export function useAnswers() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  useEffect(
    () =>
      onAnswer((letter, answer) => {
        const cook = cookOf(letter);
        if (!cook) return;
        void queries.invalidateQueries({ queryKey: ['live'] });
        if (!answer || !(answer as Cook).finishedAt) return;
        void queries.invalidateQueries({ queryKey: ['cooks'] });
        void queries.invalidateQueries({ queryKey: ['cook', cook] });
        void navigate(`/logbook/${cook}`);
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
    tap(cook.id, skewMs, `${said[kind]}: ${cook.name}`, kind, value);
  };
  const last = waiting.at(-1) ?? cook.events.at(-1);
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
