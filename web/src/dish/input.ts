import type { PlanInput, SimulationRequest } from '../api/client';

/** The part of a plan that the cook edits. */
export function inputOf(p: PlanInput): PlanInput {
  const { name, tableTime } = p;
  return { name, ...requestOf(p), ...(tableTime ? { tableTime } : {}) };
}

/** What of a plan decides what comes of it. */
export function requestOf(p: PlanInput): SimulationRequest & Pick<PlanInput, 'fryerId' | 'lots' | 'bench'> {
  const { fryerId, lots, bench, program, perBasket, secondFryerId } = p;
  return {
    fryerId,
    lots,
    bench,
    program,
    ...(perBasket ? { perBasket } : {}),
    ...(secondFryerId ? { secondFryerId } : {}),
  };
}
