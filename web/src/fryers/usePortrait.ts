import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { FryerInput } from '../api/client';
import { portrayFryer } from '../api/queries';

/** What a fryer's dial gives, with what cooks have shown of one that is kept; on screen while a change is worked out. */
export function usePortrait(fryer: FryerInput, units: string, id?: string) {
  // Without a name it can be drawn, though not kept.
  const asked = { ...fryer, name: fryer.name.trim() || 'fryer' };
  const answer = useQuery({
    queryKey: ['portrait', { ...asked, name: '' }, units, id],
    queryFn: () => portrayFryer({ fryer: asked, ...(id === undefined ? {} : { fryerId: id }) }),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  return answer.data ?? null;
}
