import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useSyncExternalStore } from 'react';
import { ask, client, type Cook, type Schemas } from './client';
import { drawerOf, place } from './place';

export type LiveEvening = Schemas['LiveEvening'];
export type LiveBasket = Schemas['LiveBasket'];
export type Doing = Schemas['Doing'];

/** The kitchen's time, and how a device counts on from it: its own clock may be set meanwhile. */
export interface Ticking {
  nowMs: number;
  hereMs: number;
  pace: number;
}

export const kitchenTime = (t: Ticking, hereMs = performance.now()) => t.nowMs + (hereMs - t.hereMs) * t.pace;

export interface GoingOn {
  mark: string;
  clockOffMin?: number | undefined;
  cook?: Cook | undefined;
  /** All that go on, where there are several. */
  beside?: Schemas['CookBeside'][] | undefined;
  evening?: LiveEvening | undefined;
  ticking: Ticking;
}

const SHOWN = drawerOf('cook');

/** Which of several cooks this device shows; empty for the one of which something is due first. */
export const shownCook = () => localStorage.getItem(SHOWN) ?? '';

/** Shows one of them from now on. */
export function useShowCook() {
  const queries = useQueryClient();
  return (id: string) => {
    localStorage.setItem(SHOWN, id);
    void queries.invalidateQueries({ queryKey: KEY });
  };
}

const KEY = ['live'];
const LEAD_MS = 20_000;
const LAG_MS = 2000;

type Said = Pick<Schemas['LiveEvening'], 'now'> & {
  mark: string;
  clockOffMin?: number;
  evening?: LiveEvening;
  cookId?: string;
};

const listeners = new Set<() => void>();
let hearing = false;
let watchers = 0;
let source: EventSource | null = null;

const heard = (yes: boolean) => {
  if (hearing === yes) return;
  hearing = yes;
  listeners.forEach((l) => l());
};

/** Takes what the kitchen computer says by itself; what it says of a dish cooked alone is asked for. */
function take(queries: QueryClient, said: Said) {
  const before = queries.getQueryData<GoingOn>(KEY);
  if (said.cookId || (before?.cook && !said.evening)) {
    if (before?.mark !== said.mark) void queries.invalidateQueries({ queryKey: KEY });
    return;
  }
  queries.setQueryData<GoingOn>(KEY, {
    mark: said.mark,
    clockOffMin: said.clockOffMin,
    evening: said.evening,
    ticking: { nowMs: Date.parse(said.now), hereMs: performance.now(), pace: before?.ticking.pace ?? 1 },
  });
}

/** Listens to the kitchen computer as long as a page wants to know; the browser comes back by itself. */
function useStream() {
  const queries = useQueryClient();
  useEffect(() => {
    watchers++;
    const stop = () => {
      source?.close();
      source = null;
      heard(false);
    };
    if (!source) {
      source = new EventSource(`${place}/api/v1/live/stream`);
      source.addEventListener('figures', (e: MessageEvent<string>) => {
        heard(true);
        take(queries, JSON.parse(e.data) as Said);
      });
      source.onerror = () => {
        heard(false);
        // What the browser gives up on is begun anew.
        if (source?.readyState === EventSource.CLOSED) {
          source = null;
          setTimeout(() => {
            if (watchers > 0) void queries.invalidateQueries({ queryKey: KEY });
          }, LAG_MS);
        }
      };
    }
    return () => {
      if (--watchers === 0) stop();
    };
  }, [queries]);
  return useSyncExternalStore(
    (l) => {
      listeners.add(l);
      return () => listeners.delete(l);
    },
    () => hearing,
  );
}

/** What is cooked, the same on every device; it is asked for seldom while it is heard of by itself, and often otherwise. */
export function useGoingOn(everyMs: number) {
  const queries = useQueryClient();
  return useQuery({
    queryKey: KEY,
    queryFn: async (): Promise<GoingOn> => {
      const before = queries.getQueryData<GoingOn>(KEY);
      const asked = performance.now();
      const got = await ask(
        client.GET('/cooks/live', {
          params: {
            query: { ...(before?.mark ? { known: before.mark } : {}), ...(shownCook() ? { cook: shownCook() } : {}) },
          },
        }),
      );
      const same = got.mark !== '' && got.mark === before?.mark;
      return {
        mark: got.mark,
        clockOffMin: got.clockOffMin,
        cook: got.cook ?? (same ? before.cook : undefined),
        beside: got.beside ?? (same ? before.beside : undefined),
        evening: got.evening ?? (same ? before.evening : undefined),
        // The middle of the request is when the server looked at its clock.
        ticking: { nowMs: Date.parse(got.now), hereMs: (asked + performance.now()) / 2, pace: got.pace ?? 1 },
      };
    },
    refetchInterval: everyMs,
  });
}

/** The same for a page at the stove. */
export function useAtTheStove() {
  const hears = useStream();
  const live = useGoingOn(hears ? LEAD_MS : LAG_MS);
  return { ...live, hears };
}

export const useProbes = () =>
  useQuery({ queryKey: ['probes'], queryFn: () => ask(client.GET('/probes')), refetchInterval: 5000 });
export const useAhead = (cook: string, mark: string) =>
  useQuery({
    queryKey: ['ahead', cook, mark],
    queryFn: () => ask(client.GET('/cooks/{id}/ahead', { params: { path: { id: cook } } })),
    placeholderData: (was) => was,
    staleTime: Infinity,
  });
export const useEvening = (id: string) =>
  useQuery({
    queryKey: ['evening', id],
    queryFn: () => ask(client.GET('/evenings/{id}', { params: { path: { id } } })),
  });

export const beginEvening = (supperId: string, soon: boolean) =>
  ask(client.POST('/evenings', { body: { supperId, soon } }));
/** Begins dishes at once, off the bench, each in its own place. */
export const beginDishes = (planIds: string[]) => ask(client.POST('/evenings', { body: { planIds } }));
export const takeBackOf = (id: string, event: string) =>
  ask(client.DELETE('/evenings/{id}/events/{event}', { params: { path: { id, event } } }));
