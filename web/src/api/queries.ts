import { queryOptions, useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import {
  ask,
  client,
  type Cook,
  type FryerInput,
  type Plan,
  type PlanInput,
  type Schemas,
  type Settings,
} from './client';

const catalog = queryOptions({
  queryKey: ['catalog'],
  queryFn: () => ask(client.GET('/catalog')),
  staleTime: Infinity,
});
const settings = queryOptions({ queryKey: ['settings'], queryFn: () => ask(client.GET('/settings')) });
export const fryers = queryOptions({ queryKey: ['fryers'], queryFn: () => ask(client.GET('/fryers')) });
export const plans = queryOptions({ queryKey: ['plans'], queryFn: () => ask(client.GET('/plans')) });

export const useCatalog = () => useQuery(catalog);
export const useSettings = () => useQuery(settings);
export const useFryers = () => useQuery(fryers);
export const usePlans = () => useQuery(plans);

/** Asks for what every page needs, and answers with the dishes; a page that gets no answer says so itself. */
export function askAhead(queries: QueryClient): Promise<Plan[]> {
  const quietly = () => undefined;
  queries.query(catalog).catch(quietly);
  queries.query(settings).catch(quietly);
  queries.query(fryers).catch(quietly);
  return queries.query(plans).catch(() => []);
}

export const usePantry = () => useQuery({ queryKey: ['pantry'], queryFn: () => ask(client.GET('/pantry')) });
export const useMarinades = () => useQuery({ queryKey: ['marinades'], queryFn: () => ask(client.GET('/marinades')) });
export const useCooks = () => useQuery({ queryKey: ['cooks'], queryFn: () => ask(client.GET('/cooks')) });
export const useCook = (id: string) => useQuery({ queryKey: ['cook', id], queryFn: () => getCook(id) });

/** The cook that is going on, kept the same on every device by asking often; it is sent again only if it has changed. */
export function useLiveCook(everyMs: number) {
  const queries = useQueryClient();
  return useQuery({
    queryKey: ['live'],
    queryFn: async () => {
      const before = queries.getQueryData<{ mark: string; cook?: Cook }>(['live']);
      const asked = performance.now();
      const live = await ask(
        client.GET('/cooks/live', before?.mark ? { params: { query: { known: before.mark } } } : {}),
      );
      const cook = live.cook ?? (live.mark ? before?.cook : undefined);
      // The server's clock minus this device's count, at the middle of the
      // request: a device whose clock is set goes on counting.
      return { ...live, cook, skewMs: Date.parse(live.now) - (asked + performance.now()) / 2 };
    },
    refetchInterval: everyMs,
  });
}

/** Changes settings at once here, and one after another on the server. */
export function useSaveSettings() {
  const queries = useQueryClient();
  const mutationKey = ['save settings'];
  return useMutation({
    mutationKey,
    scope: { id: 'settings' },
    mutationFn: async (change: Partial<Settings>) => {
      const now = queries.getQueryData<Settings>(['settings']);
      if (now) await ask(client.PUT('/settings', { body: { ...now, ...change } }));
    },
    onMutate: (change) => {
      // An answer still on its way knows nothing of this change.
      void queries.cancelQueries({ queryKey: ['settings'] });
      queries.setQueryData<Settings>(['settings'], (now) => (now ? { ...now, ...change } : now));
    },
    onSettled: () =>
      queries.isMutating({ mutationKey }) === 1
        ? Promise.all([
            queries.invalidateQueries({ queryKey: ['settings'] }),
            queries.invalidateQueries({ queryKey: ['catalog'] }),
          ])
        : undefined,
  });
}

export const createPlan = (body: PlanInput) => ask(client.POST('/plans', { body }));
export const savePlan = (id: string, version: number, body: PlanInput) =>
  ask(client.PUT('/plans/{id}', { params: { path: { id }, header: { 'If-Match': `"${version}"` } }, body }));
export const getPlan = (id: string) => ask(client.GET('/plans/{id}', { params: { path: { id } } }));
export const deletePlan = (id: string) => ask(client.DELETE('/plans/{id}', { params: { path: { id } } }));
export const restorePlan = (id: string) => ask(client.POST('/plans/{id}/restore', { params: { path: { id } } }));

export const guessFryer = (body: Schemas['FryerKnown']) => ask(client.POST('/fryer-guesses', { body }));
export const portrayFryer = (body: Schemas['PortraitRequest']) => ask(client.POST('/fryer-portraits', { body }));
export const createFryer = (body: FryerInput) => ask(client.POST('/fryers', { body }));
export const fryerVersion = async (id: string) =>
  (await ask(client.GET('/fryers'))).find((f) => f.id === id)?.version ?? 0;
export const deleteFryer = (id: string) => ask(client.DELETE('/fryers/{id}', { params: { path: { id } } }));
export const restoreFryer = (id: string) => ask(client.POST('/fryers/{id}/restore', { params: { path: { id } } }));
export const saveIngredient = (i: Schemas['Ingredient']) =>
  ask(client.PUT('/pantry/{id}', { params: { path: { id: i.id } }, body: i }));
export const dropIngredient = (id: string) => ask(client.DELETE('/pantry/{id}', { params: { path: { id } } }));
export const addMarinade = (name: string, marinade: Schemas['Marinade']) =>
  ask(client.POST('/marinades', { body: { name, marinade } }));
export const saveMarinade = (m: Schemas['MarinadeRecipe']) =>
  ask(client.PUT('/marinades/{id}', { params: { path: { id: m.id } }, body: m }));
export const dropMarinade = (id: string) => ask(client.DELETE('/marinades/{id}', { params: { path: { id } } }));
export const saveFryer = (id: string, version: number, body: FryerInput) =>
  ask(client.PUT('/fryers/{id}', { params: { path: { id }, header: { 'If-Match': `"${version}"` } }, body }));

export const startCook = (planId: string, basket = 1, session?: string) =>
  ask(client.POST('/cooks', { body: { planId, basket, ...(session ? { session } : {}) } }));
export const sayToCook = (id: string, body: Schemas['CookEventInput']) =>
  ask(client.POST('/cooks/{id}/events', { params: { path: { id } }, body }));
export const takeBack = (id: string, event: string) =>
  ask(client.DELETE('/cooks/{id}/events/{event}', { params: { path: { id, event } } }));
export const getCook = (id: string) => ask(client.GET('/cooks/{id}', { params: { path: { id } } }));
export const saveOutcome = (id: string, version: number, body: Schemas['Outcome']) =>
  ask(client.PUT('/cooks/{id}/outcome', { params: { path: { id }, header: { 'If-Match': `"${version}"` } }, body }));
export const deleteCook = (id: string) => ask(client.DELETE('/cooks/{id}', { params: { path: { id } } }));
export const restoreCook = (id: string) => ask(client.POST('/cooks/{id}/restore', { params: { path: { id } } }));
