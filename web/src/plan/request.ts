import type { Fryer, PlanInput, Schemas } from '../api/client';

/** The part of a plan that the cook edits. */
export function inputOf(p: PlanInput): PlanInput {
  const { name, fryerId, load, coat, program, tableTime, perBasket, secondFryerId, bench } = p;
  return {
    name,
    fryerId,
    load,
    coat,
    program,
    ...(tableTime ? { tableTime } : {}),
    ...(perBasket ? { perBasket } : {}),
    ...(secondFryerId ? { secondFryerId } : {}),
    ...(bench ? { bench } : {}),
  };
}

/** A fryer as the engine takes it. */
export function simulated(f: Fryer): Schemas['SimulationFryer'] {
  return {
    kind: f.kind,
    powerW: f.powerW,
    basket: f.basket,
    airflow: f.airflow,
    dialOffsetC: f.dialOffsetC,
    ...(f.heatUpMin == null ? {} : { heatUpMin: f.heatUpMin }),
    inferred: f.inferred,
    drawers: f.drawers,
    rack: f.rack,
    ...(f.kind === 'oven' ? { trays: f.trays } : {}),
    dial: { minC: f.dialMinC, maxC: f.dialMaxC, stepC: f.dialStepC },
  };
}
