import type { PlanInput } from '../api/client';
import { minutes, type Units } from '../format/units';
import { setStage, setTurn, totalOf } from './program';

/** The part of a plan that a warning's field names, set to its proposal. */
export function mendPlan(plan: PlanInput, field: string, value: number | string): PlanInput {
  if (typeof value === 'string')
    return field === 'load.surface' ? { ...plan, load: { ...plan.load, surface: value } } : plan;
  const stage = /^program\.stages\[(\d+)\]\.(airC|minutes)$/.exec(field);
  if (stage) return { ...plan, program: setStage(plan.program, Number(stage[1]), { [stage[2] ?? 'minutes']: value }) };
  const turn = /^program\.turns\[(\d+)\]\.atMin$/.exec(field);
  if (turn) return { ...plan, program: setTurn(plan.program, Number(turn[1]), { atMin: value }) };
  // What is too much for one basket goes into the next; nothing is left out.
  if (field === 'load.pieces') return value < plan.load.pieces ? { ...plan, perBasket: value } : plan;
  if (field === 'load.thicknessMm') return { ...plan, load: { ...plan.load, thicknessMm: value } };
  if (field === 'coat.oilG') {
    // The proposal is for the first basket; a plan has the oil of all.
    const baskets = plan.load.pieces / Math.min(plan.perBasket ?? plan.load.pieces, plan.load.pieces);
    return { ...plan, coat: { ...plan.coat, oilG: Math.ceil(value * baskets) } };
  }
  return plan;
}

/** What the change that a warning proposes would be called; null if it changes nothing. */
export function mendLabel(draft: PlanInput, field: string, value: number | string, units: Units): string | null {
  if (typeof value === 'string')
    return field === 'load.surface' ? (value === 'wiped' ? 'Wipe them dry' : 'Dry them on the rack') : null;
  const now = mendPlan(draft, field, value);
  if (JSON.stringify(now) === JSON.stringify(draft)) return null;
  if (field.endsWith('.minutes')) return `Let it run ${minutes(totalOf(now.program))} min`;
  if (field.endsWith('.airC')) return `Set ${units.temperature(value)}`;
  if (field.endsWith('.atMin')) return `Turn at minute ${minutes(value)}`;
  if (field === 'load.pieces') return `${value} in this basket, the rest in the next`;
  if (field === 'load.thicknessMm') return `Make them ${Math.round(value)} mm thick`;
  if (field === 'coat.oilG') return `Oil it with ${units.mass(now.coat.oilG ?? value)}`;
  return null;
}
