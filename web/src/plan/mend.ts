import type { PlanInput, Schemas } from '../api/client';

/** A plan with a warning's change made. */
export function mendPlan(plan: PlanInput, change: Schemas['Change']): PlanInput {
  const { program, surface, thicknessMm, oilG, perBasket } = change;
  if (program) return { ...plan, program };
  if (surface) return { ...plan, load: { ...plan.load, surface } };
  if (thicknessMm) return { ...plan, load: { ...plan.load, thicknessMm } };
  if (perBasket) return { ...plan, perBasket };
  if (oilG) {
    // The proposal is for the first basket; a plan has the oil of all.
    const baskets = plan.load.pieces / Math.min(plan.perBasket ?? plan.load.pieces, plan.load.pieces);
    return { ...plan, coat: { ...plan.coat, oilG: Math.ceil(oilG * baskets) } };
  }
  return plan;
}
