import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Fryer, FryerInput } from '../api/client';
import { portrayFryer } from '../api/queries';
import { simulated } from '../plan/request';

/** What a fryer's dial gives, kept on screen while a change is worked out. */
export function usePortrait(fryer: FryerInput) {
  const asked = simulated({
    ...fryer,
    id: '',
    version: 0,
    trays: fryer.trays ?? 1,
    drawers: fryer.drawers ?? 1,
    rack: fryer.rack ?? false,
    inferred: fryer.inferred ?? [],
  } satisfies Fryer);
  const answer = useQuery({
    queryKey: ['portrait', asked],
    queryFn: () => portrayFryer({ fryer: asked }),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  return answer.data ?? null;
}
