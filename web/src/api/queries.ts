import { queryOptions, useQuery, type QueryClient } from '@tanstack/react-query';
import { ask, client, type FryerInput, type Plan, type PlanInput, type Schemas, type Settings } from './client';
import { onAnswer, ownId, post, waitingFor } from './outbox';

const catalog = queryOptions({
  queryKey: ['catalog'],
  queryFn: () => ask(client.GET('/catalog')),
  staleTime: Infinity,
});
const settings = queryOptions({ queryKey: ['settings'], queryFn: () => ask(client.GET('/settings')) });
export const fryers = queryOptions({ queryKey: ['fryers'], queryFn: () => ask(client.GET('/fryers')) });
export const plans = queryOptions({
  queryKey: ['plans'],
  queryFn: async () => {
    const all = await ask(client.GET('/plans'));
    // A dish whose letter is on its way is there, too.
    const made = waitingFor('/plans')
      .filter((l) => l.version === 0 && !all.some((p) => l.path.endsWith(p.id)))
      .map((l): Plan => ({
        ...(l.body as PlanInput),
        id: l.path.slice('/plans/'.length),
        version: 1,
        changedAt: l.at,
      }));
    return [...made.reverse(), ...all];
  },
});

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

export const useAccess = () => useQuery({ queryKey: ['access'], queryFn: () => ask(client.GET('/access')) });
export const showCode = (guest: boolean) => ask(client.POST('/access/codes', { params: { query: { guest } } }));
export const takeDeviceBack = (id: string) => ask(client.DELETE('/access/devices/{id}', { params: { path: { id } } }));

export const usePantry = () => useQuery({ queryKey: ['pantry'], queryFn: () => ask(client.GET('/pantry')) });
export const useMarinades = () => useQuery({ queryKey: ['marinades'], queryFn: () => ask(client.GET('/marinades')) });
export const useCoats = () => useQuery({ queryKey: ['coats'], queryFn: () => ask(client.GET('/coats')) });
export const useSauces = () => useQuery({ queryKey: ['sauces'], queryFn: () => ask(client.GET('/sauces')) });
export const useMixes = () => useQuery({ queryKey: ['mixes'], queryFn: () => ask(client.GET('/mixes')) });
export const useCooks = () => useQuery({ queryKey: ['cooks'], queryFn: () => ask(client.GET('/cooks')) });
export const useCook = (id: string) => useQuery({ queryKey: ['cook', id], queryFn: () => getCook(id) });

/** Changes settings at once here, and on the server when it can be. */
export function changeSettings(queries: QueryClient, change: Partial<Settings>) {
  queries.setQueryData<Settings>(['settings'], (now) => (now ? { ...now, ...change } : now));
  post({ what: 'a setting', method: 'PATCH', path: '/settings', body: change });
}

/** A new dish, here at once; the server hears of it when it can. */
export function addPlan(queries: QueryClient, input: PlanInput): Plan {
  const id = `dish-${ownId()}`;
  post({ what: `new dish ${input.name}`, method: 'PUT', path: `/plans/${id}`, body: input, version: 0 });
  const plan: Plan = { ...input, id, version: 1, changedAt: new Date().toISOString() };
  queries.setQueryData<Plan[]>(['plans'], (all) => [plan, ...(all ?? []).filter((p) => p.id !== id)]);
  return plan;
}

type Pantry = NonNullable<ReturnType<typeof usePantry>['data']>;

/** The household's own figures of an ingredient. */
export function keepIngredient(queries: QueryClient, i: Schemas['Ingredient']) {
  const version = queries.getQueryData<Pantry>(['pantry'])?.own[i.id] ?? 0;
  queries.setQueryData<Pantry>(['pantry'], (now) =>
    now
      ? {
          ...now,
          own: { ...now.own, [i.id]: version + 1 },
          ingredients: now.ingredients.some((o) => o.id === i.id)
            ? now.ingredients.map((o) => (o.id === i.id ? i : o))
            : [...now.ingredients, i],
        }
      : now,
  );
  post({ what: i.name, method: 'PUT', path: `/pantry/${i.id}`, body: i, version });
}

/** What the household keeps under names of its own, one path for each kind. */
interface Kept {
  id: string;
  version?: number;
}

/** Keeps one, here at once; a new one has no id of its own yet. */
function keeping<T extends Kept>(path: string, kind: string, nameOf: (t: Omit<T, 'id'>) => string) {
  return (queries: QueryClient, it: Omit<T, 'id'> & { id?: string }): T => {
    const { version = 0, ...kept } = { ...it, id: it.id ?? `${kind}-${ownId()}` };
    const now = { ...kept, version: version + 1 } as unknown as T;
    queries.setQueryData<T[]>([path], (all) => [...(all ?? []).filter((o) => o.id !== kept.id), now]);
    post({ what: `${kind} ${nameOf(it)}`, method: 'PUT', path: `/${path}/${kept.id}`, body: kept, version });
    return now;
  };
}

export const keepMarinade = keeping<Schemas['MarinadeRecipe']>('marinades', 'marinade', (m) => m.name);
export const keepCoat = keeping<Schemas['OwnCoat']>('coats', 'coat', (c) => c.name);
export const keepSauce = keeping<Schemas['OwnSauce']>('sauces', 'sauce', (s) => s.name);
export const keepMix = keeping<Schemas['OwnMix']>('mixes', 'mix', (m) => m.mix.name);

type Supper = Schemas['Supper'];

export const useSuppers = () => useQuery({ queryKey: ['suppers'], queryFn: () => ask(client.GET('/suppers')) });
export const keepSupper = keeping<Supper>('suppers', 'supper', (s) => s.name);
export const dropSupper = (id: string) => ask(client.DELETE('/suppers/{id}', { params: { path: { id } } }));
export const saveSupper = (id: string, version: number, body: Supper) =>
  ask(client.PUT('/suppers/{id}', { params: { path: { id }, header: { 'If-Match': `"${version}"` } }, body }));
export const workSheet = (body: Schemas['Evening'], signal?: AbortSignal) =>
  ask(client.POST('/sheets', { body, ...(signal ? { signal } : {}) }));

/** What answers hang on beside what is asked: one that was worked out by other settings is none. */
export const settingsOf = (s: Settings) =>
  [
    s.temperature,
    s.mass,
    s.spoons,
    s.guidance,
    s.guidanceC,
    s.aboveSeaM,
    s.fridgeC,
    s.crustMore,
    s.browningMore,
  ].join();

/** What of the household is asked anew when a letter of such a path was answered. */
const touches: [path: string, keys: string[]][] = [
  ['/settings', ['settings', 'catalog', 'liked']],
  ['/plans', ['plans']],
  ['/pantry', ['pantry']],
  ['/marinades', ['marinades']],
  ['/coats', ['coats']],
  ['/sauces', ['sauces']],
  ['/mixes', ['mixes']],
  ['/suppers', ['suppers']],
  ['/cooks', ['learnt', 'portrait', 'how right', 'liked']],
];

/** Asks anew for what letters have changed, once none of its kind waits any more. */
export const followLetters = (queries: QueryClient) =>
  onAnswer((letter) => {
    for (const [path, keys] of touches)
      if (letter.path.startsWith(path) && waitingFor(path).length === 0)
        for (const key of keys) void queries.invalidateQueries({ queryKey: [key] });
  });

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
/** What cooks have shown of a fryer; asked anew while it is shown, since it is learnt beside all else. */
export const useLearnt = (id: string) =>
  useQuery({
    queryKey: ['learnt', id],
    queryFn: () => ask(client.GET('/fryers/{id}/learnt', { params: { path: { id } } })),
    staleTime: 0,
    refetchInterval: 10_000,
  });
/** The measured run of a fryer that goes on, asked for every second while one does. */
export const useMeasuring = (id: string) =>
  useQuery({
    queryKey: ['measuring', id],
    queryFn: async () => (await ask(client.GET('/fryers/{id}/measuring', { params: { path: { id } } }))).run ?? null,
    staleTime: 0,
    refetchInterval: ({ state }) => (state.data ? 1000 : false),
  });

export const beginMeasuring = (
  id: string,
  body: { dialC: number; drawer?: 'left' | 'right'; probe?: string; potato?: Schemas['Potato'] },
) => ask(client.PUT('/fryers/{id}/measuring', { params: { path: { id } }, body }));

export const readRun = (id: string, c: number) =>
  ask(client.POST('/fryers/{id}/measuring/readings', { params: { path: { id } }, body: { c } }));

export const stopMeasuring = (id: string) => ask(client.DELETE('/fryers/{id}/measuring', { params: { path: { id } } }));

export const useLiked = () => useQuery({ queryKey: ['liked'], queryFn: () => ask(client.GET('/liked')), staleTime: 0 });

export const useHowRight = () =>
  useQuery({ queryKey: ['how right'], queryFn: () => ask(client.GET('/how-right')), staleTime: 0 });
/** Leaves a cook out of what is learnt, or takes it back in: here at once, and learnt when the server hears of it. */
export function leaveOut(queries: QueryClient, id: string, name: string, leftOut: boolean) {
  queries.setQueriesData<Schemas['Learnt'][]>({ queryKey: ['learnt'] }, (all) =>
    all?.map((of) => ({
      ...of,
      taught: of.taught.map((t) =>
        t.cookId === id ? { ...t, leftOut, moved: leftOut ? 'left out' : 'what it showed' } : t,
      ),
    })),
  );
  post({ what: `what ${name} teaches`, method: 'PUT', path: `/cooks/${id}/left-out`, body: { leftOut } });
}
export const deleteFryer = (id: string) => ask(client.DELETE('/fryers/{id}', { params: { path: { id } } }));
export const restoreFryer = (id: string) => ask(client.POST('/fryers/{id}/restore', { params: { path: { id } } }));
export const dropIngredient = (id: string) => ask(client.DELETE('/pantry/{id}', { params: { path: { id } } }));
export const dropCoat = (id: string) => ask(client.DELETE('/coats/{id}', { params: { path: { id } } }));
export const dropMarinade = (id: string) => ask(client.DELETE('/marinades/{id}', { params: { path: { id } } }));
export const dropSauce = (id: string) => ask(client.DELETE('/sauces/{id}', { params: { path: { id } } }));
export const dropMix = (id: string) => ask(client.DELETE('/mixes/{id}', { params: { path: { id } } }));
export const saveFryer = (id: string, version: number, body: FryerInput) =>
  ask(client.PUT('/fryers/{id}', { params: { path: { id }, header: { 'If-Match': `"${version}"` } }, body }));

export const startCook = (planId: string, basket = 1, session?: string) =>
  ask(client.POST('/cooks', { body: { planId, basket, ...(session ? { session } : {}) } }));
export const takeBack = (id: string, event: string) =>
  ask(client.DELETE('/cooks/{id}/events/{event}', { params: { path: { id, event } } }));
export const getCook = (id: string) => ask(client.GET('/cooks/{id}', { params: { path: { id } } }));
export const saveOutcome = (id: string, version: number, body: Schemas['Outcome']) =>
  ask(client.PUT('/cooks/{id}/outcome', { params: { path: { id }, header: { 'If-Match': `"${version}"` } }, body }));
export const deleteCook = (id: string) => ask(client.DELETE('/cooks/{id}', { params: { path: { id } } }));
export const readRecipe = (body: { text: string; fryerId: string; fixes: Schemas['RecipeFix'][] }) =>
  ask(client.POST('/recipes', { body }));
export const layCurve = (id: string, body: { file: string; shiftMin: number; zone: string }) =>
  ask(client.POST('/cooks/{id}/curve', { params: { path: { id } }, body }));
export const takeNextTime = (id: string) => ask(client.POST('/cooks/{id}/next-time', { params: { path: { id } } }));
export const restoreCook = (id: string) => ask(client.POST('/cooks/{id}/restore', { params: { path: { id } } }));
