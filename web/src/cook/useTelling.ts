import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import type { Cook, Schemas } from '../api/client';
import { kitchenTime, takeBackOf, type GoingOn, type LiveEvening, type Ticking } from '../api/live';
import { cookOf, onAnswer, tap, tapOf, untap, useOutbox, type Letter } from '../api/outbox';
import { takeBack } from '../api/queries';
import { numberWord } from '../format/numbers';
import { complain, say } from '../ui/toast';
import { readyChime } from './chime';

export type Told = Omit<Schemas['CookEventInput'], 'id' | 'at'>;

const eveningOf = (letter: Letter) => /^\/evenings\/(.+)\/events$/.exec(letter.path)?.[1];

/** Follows what is answered: what is over leads to the logbook, also where it is not shown any more. */
export function useAnswers() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  useEffect(
    () =>
      onAnswer((letter, answer) => {
        const cook = cookOf(letter);
        const evening = eveningOf(letter);
        if (!cook && !evening) return;
        void queries.invalidateQueries({ queryKey: ['live'] });
        const over = answer as (Cook & { plannedAt?: string }) | null;
        if (!over?.finishedAt) return;
        void queries.invalidateQueries({ queryKey: ['cooks'] });
        void queries.invalidateQueries({ queryKey: ['cook', cook] });
        void queries.invalidateQueries({ queryKey: ['evening'] });
        if (evening) void navigate(`/logbook/evening/${evening}`);
        else if (!over.evening) {
          const entry = () => void navigate(`/logbook/${cook ?? ''}`);
          // Where another goes on, the page stays with it.
          const on = queries.getQueryData<GoingOn>(['live']);
          if ([on?.cook, ...(on?.beside ?? [])].some((c) => c && c.id !== cook))
            say(`${over.name} is over. The other one goes on.`, { label: 'To its entry', run: entry });
          else entry();
        }
      }),
    [queries, navigate],
  );
}

/** What of some cooks, or of a supper, waits on this device. */
const useWaiting = (paths: string[]) => useOutbox().filter((l) => paths.includes(l.path));

/** What is said of one cook, and taken back. Nothing tapped is lost: it waits on this device until it is answered. */
export function useTelling(cook: { id: string; name: string }, ticking: Ticking) {
  const waiting = useWaiting([`/cooks/${cook.id}/events`]);
  const tell = (what: string, event: Told) => {
    readyChime();
    tap(cook.id, kitchenTime(ticking), `${what}: ${cook.name}`, event);
  };
  return { waiting, tell };
}

/** The same for a supper and all of its baskets. */
export function useTellingOf(evening: LiveEvening, ticking: Ticking) {
  const waiting = useWaiting([
    `/evenings/${evening.id}/events`,
    ...evening.baskets.map((b) => `/cooks/${b.cookId}/events`),
  ]);
  return {
    waiting,
    tell: (basket: { cookId: string; name: string }, what: string, event: Told) => {
      readyChime();
      tap(basket.cookId, kitchenTime(ticking), `${basket.name}: ${what}`, event);
    },
    done: (task: string, what: string) => {
      readyChime();
      tapOf(evening.id, kitchenTime(ticking), what, { kind: 'done', task });
    },
    skip: (task: string, what: string) => tapOf(evening.id, kitchenTime(ticking), what, { kind: 'skip', task }),
    come: (people: number) =>
      tapOf(evening.id, kitchenTime(ticking), `for ${numberWord(people)}`, { kind: 'people', people }),
    giveUp: () => tapOf(evening.id, kitchenTime(ticking), 'the supper is given up', { kind: 'giveup' }),
  };
}

/** Takes one thing back: from this device where it still waits, else from the kitchen computer. */
export function useTakingBack() {
  const queries = useQueryClient();
  return async (waiting: Letter[], said: { id: string; cookId?: string | undefined; evening?: string }) => {
    if (waiting.some((l) => l.id === said.id)) {
      untap(said.id);
      return;
    }
    try {
      if (said.cookId) await takeBack(said.cookId, said.id);
      else if (said.evening) await takeBackOf(said.evening, said.id);
      await queries.invalidateQueries({ queryKey: ['live'] });
    } catch (cause) {
      complain(cause);
    }
  };
}
