import createClient from 'openapi-fetch';
import { place } from './place';
import type { components, paths } from './schema.gen';

export type Schemas = components['schemas'];
export type Simulation = Schemas['Simulation'];
/** What is asked of one dish in one fryer. */
export type SimulationRequest = Omit<Schemas['SimulationRequest'], 'program' | 'chambers'> & {
  program: Schemas['Program'];
};
/** What can be simulated: one dish, or what lies in two drawers. */
export type Simulable = Schemas['SimulationRequest'];
export type Plan = Schemas['Plan'];
/** A dish as it is edited: said by its lots. */
export type PlanInput = Schemas['DishByLots'];
export type Lot = Schemas['Lot'];
export type Fryer = Schemas['Fryer'];
export type FryerInput = Schemas['FryerInput'];
export type Cook = Schemas['Cook'];
export type CookEntry = Schemas['CookEntry'];
export type Catalog = Schemas['Catalog'];
export type CutInfo = Schemas['CutInfo'];
export type Settings = Schemas['Settings'];
export type LikedStep = Schemas['LikedStep'];
export type Problem = Schemas['Problem'];
export type Lab = number[];

const TRIES = 4;
const LONGEST_MS = 40_000;

/** Fetches; where the server is busy, comes again when it says so. What is not answered at all is given up in time. */
async function patient(request: Request): Promise<Response> {
  const signal = AbortSignal.any([request.signal, AbortSignal.timeout(LONGEST_MS)]);
  for (let k = 1; ; k++) {
    const response = await fetch(request.clone(), { signal });
    if (response.status !== 503 || k === TRIES) return response;
    const seconds = Number(response.headers.get('Retry-After')) || 2;
    await new Promise((resolve, reject) => {
      const timer = setTimeout(resolve, seconds * 1000 * (0.5 + Math.random()));
      signal.addEventListener('abort', () => {
        clearTimeout(timer);
        reject(new DOMException('given up', 'AbortError'));
      });
    });
  }
}

const API = `${place}/api/v1`;
export const client = createClient<paths>({ baseUrl: API, fetch: patient });

/** What the server refused, with the fields it named. */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.errors?.map((e) => e.says).join('\n') ?? problem.detail ?? problem.title);
    this.name = problem.title;
  }
}

/** How often what was not answered is asked again, ms. */
export const AGAIN_MS = 4_000;

/** Whether nobody answered; what was refused is not asked again. */
export const unanswered = (cause: unknown) =>
  cause instanceof Refusal && (cause.problem.status === 0 || cause.problem.status >= 500);

interface Result<T> {
  data?: T;
  error?: Problem;
  response: Response;
}

/** Unwraps an answer, or throws a Refusal. */
export async function ask<T>(request: Promise<Result<T>>): Promise<T> {
  let result: Result<T>;
  try {
    result = await request;
  } catch (cause) {
    if (cause instanceof DOMException && cause.name === 'AbortError') throw cause;
    throw new Refusal({
      status: 0,
      title: 'No connection',
      detail: 'The kitchen computer does not answer.',
    });
  }
  if (!result.response.ok)
    throw new Refusal(result.error ?? { status: result.response.status, title: 'That went wrong there' });
  return result.data as T;
}

/** Sends what an earlier moment has written, whatever it is. */
export const sendOn = (letter: { method: string; path: string; body: unknown; version?: number }): Promise<unknown> =>
  ask(
    (async () => {
      const response = await patient(
        new Request(API + letter.path, {
          method: letter.method,
          headers: {
            'Content-Type': 'application/json',
            ...(letter.version === undefined ? {} : { 'If-Match': `"${letter.version}"` }),
          },
          body: JSON.stringify(letter.body),
        }),
      );
      const answer: unknown = response.status === 204 ? {} : await response.json();
      return response.ok ? { data: answer, response } : { error: answer as Problem, response };
    })(),
  );
