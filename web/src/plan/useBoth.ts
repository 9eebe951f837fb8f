import { useMemo } from 'react';
import type { Plan, PlanInput, SimulationRequest } from '../api/client';
import { axisOf, drawers, mineOf, ofDrawer, otherOf, pairOf, pairRequest } from './beside';
import { useSimulation } from './useSimulation';

/** What comes of a dish; where another runs in the other drawer, of both, and of this one beside it. */
export function useBoth(draft: PlanInput, id: string, plans: Plan[], alone: SimulationRequest, household: string) {
  const pair = pairOf(draft, id, plans);
  const simulated = useSimulation(pair && !pair.apart ? pairRequest(draft, pair) : alone, household);
  const mine = pair?.mine ?? 'left';
  const lots = draft.lots.length;
  const [answer, last] = useMemo(
    () => [ofDrawer(simulated.answer, mine, lots), ofDrawer(simulated.last, mine, lots)],
    [simulated.answer, simulated.last, mine, lots],
  );
  const both = pair && !pair.apart && simulated.last?.chambers ? simulated.last : undefined;
  const beside = both?.chambers?.[drawers.indexOf(otherOf(mine))];
  return {
    ...simulated,
    answer,
    last,
    pair,
    both:
      pair && both && beside
        ? {
            pair,
            beside,
            /** What is said of both. */
            all: mineOf(both, mine),
            plug: both.plug ?? [],
            plugSays: both.plugSays ?? '',
            axis: axisOf(both, mine),
            otherAxis: axisOf(both, otherOf(mine)),
          }
        : undefined,
  };
}
