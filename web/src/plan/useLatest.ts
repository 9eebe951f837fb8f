import { useState } from 'react';
import type { Plan } from '../api/client';

/** The dish that was changed last when the page was opened; later changes of others do not move it. */
export function useLatest(plans: Plan[] | undefined): string | undefined {
  const [latest, setLatest] = useState<string>();
  const first = plans?.[0]?.id;
  if (latest === undefined && first !== undefined) setLatest(first);
  return latest ?? first;
}
