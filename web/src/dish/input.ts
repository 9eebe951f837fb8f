import type { PlanInput, SimulationRequest } from '../api/client';

/** The part of a plan that the cook edits. */
export function inputOf(p: PlanInput): PlanInput {
  const { name, tableTime, besideId, ready } = p;
  return {
    name,
    ...requestOf(p),
    ...(tableTime ? { tableTime } : {}),
    ...(besideId ? { besideId } : {}),
    ...(ready ? { ready } : {}),
  };
}

/** What of a plan decides what comes of it. */
export function requestOf(p: PlanInput): SimulationRequest & Pick<PlanInput, 'fryerId' | 'lots' | 'bench'> {
  const { fryerId, lots, bench, program, perBasket, secondFryerId, drawer } = p;
  return {
    fryerId,
    lots,
    bench,
    program,
    ...(perBasket ? { perBasket } : {}),
    ...(secondFryerId ? { secondFryerId } : {}),
    ...(drawer ? { drawer } : {}),
  };
}
