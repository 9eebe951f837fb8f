import type { PlanInput } from '../api/client';
import type { Edge } from '../race/LotFlags';
import { totalOf } from './program';

/** What goes in later and what comes out sooner, by the names of the lots. */
export const edgesOf = (plan: PlanInput, names: string[]): Edge[] =>
  plan.lots.flatMap(({ inMin = 0, outMin = Infinity }, lot): Edge[] => {
    const name = names[lot] ?? '';
    return [
      ...(inMin > 0 ? [{ lot, name, kind: 'in' as const, atMin: inMin }] : []),
      ...(outMin < totalOf(plan.program) ? [{ lot, name, kind: 'out' as const, atMin: outMin }] : []),
    ];
  });
