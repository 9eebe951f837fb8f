import { useQuery } from '@tanstack/react-query';
import type { Plan } from '../api/client';
import { useSettings, workSheet } from '../api/queries';
import { fromField, toField } from '../supper/time';

/** When a dish is on the table that nobody gave a time. */
const USUALLY = '19:00';

/** The next moment at which a clock shows a time. */
function next(time: string): string {
  const [h = 0, m = 0] = time.split(':').map(Number);
  const at = new Date();
  at.setHours(h, m, 0, 0);
  if (at.getTime() < Date.now()) at.setDate(at.getDate() + 1);
  return fromField(toField(at.toISOString()));
}

/** A dish worked back from its own table time: the supper of one. */
export function useClock(plan: Plan, enabled = true) {
  const units = useSettings().data;
  // A stage in another fryer is cooked alone: no supper has it.
  const alone = plan.program.stages.some((s) => s.fryerId !== undefined);
  const { data } = useQuery({
    queryKey: ['begins', plan.id, plan.version, plan.tableTime, units?.temperature, units?.mass],
    queryFn: ({ signal }) =>
      workSheet(
        {
          serveAt: next(plan.tableTime ?? USUALLY),
          people: 2,
          hands: 1,
          hobs: 2,
          warmC: 0,
          dishes: [{ planId: plan.id }],
        },
        signal,
      ),
    enabled: enabled && !alone,
    retry: false,
    placeholderData: (before) => before,
  });
  // What was worked out for another dish is not shown for this one.
  return data?.tasks.some((t) => t.id.startsWith(plan.id)) ? data : undefined;
}
