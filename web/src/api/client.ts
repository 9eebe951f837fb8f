import createClient from 'openapi-fetch';
import type { components, paths } from './schema.gen';

export type Schemas = components['schemas'];
export type Simulation = Schemas['Simulation'];
export type SimulationRequest = Schemas['SimulationRequest'];
export type Plan = Schemas['Plan'];
export type PlanInput = Schemas['PlanInput'];
export type Fryer = Schemas['Fryer'];
export type FryerInput = Schemas['FryerInput'];
export type Cook = Schemas['Cook'];
export type Catalog = Schemas['Catalog'];
export type CutInfo = Schemas['CutInfo'];
export type Settings = Schemas['Settings'];
export type Problem = Schemas['Problem'];
export type Lab = number[];

export const client = createClient<paths>({ baseUrl: '/api/v1' });

/** What the server refused, with the fields it named. */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.errors?.map((e) => e.says).join('\n') ?? problem.detail ?? problem.title);
    this.name = problem.title;
  }
}

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
      detail: 'The kitchen computer does not answer. What you changed is kept here and goes out when it is back.',
    });
  }
  if (!result.response.ok)
    throw new Refusal(result.error ?? { status: result.response.status, title: 'That went wrong there' });
  return result.data as T;
}
