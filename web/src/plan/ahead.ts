import type { Plan, PlanInput } from '../api/client';
import { requestOf } from '../dish/input';
import { unsent } from '../ui/useKept';
import { foresee } from './useSimulation';

/** Asks for the forecast of the dish that an address opens, before its page is drawn. */
export function foreseeDish(path: string, plans: Plan[]) {
  const [, view, id] = path.split('/');
  const plan = id ? plans.find((p) => p.id === id) : plans[0];
  if (view === 'plan' && plan) foresee(requestOf((unsent(plan.id)?.input as PlanInput | undefined) ?? plan));
}
