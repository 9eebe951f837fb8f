import type { PlanInput, SimulationRequest } from '../api/client';

/** The part of a plan that the cook edits. */
export function inputOf(p: PlanInput): PlanInput {
  const { name, tableTime } = p;
  return { name, ...requestOf(p), ...(tableTime ? { tableTime } : {}) };
}

/** What of a plan decides what comes of it. */
export function requestOf(p: PlanInput): SimulationRequest & Pick<PlanInput, 'fryerId' | 'coat'> {
  const { fryerId, load, coat, program, perBasket, secondFryerId, bench, groups } = p;
  return {
    fryerId,
    load,
    coat,
    program,
    ...(perBasket ? { perBasket } : {}),
    ...(secondFryerId ? { secondFryerId } : {}),
    ...(bench ? { bench } : {}),
    ...(groups?.length ? { groups } : {}),
  };
}
