import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { FryerInput } from '../api/client';
import { portrayFryer } from '../api/queries';

/** What a fryer's dial gives, kept on screen while a change is worked out; units are those it is worded in. */
export function usePortrait(fryer: FryerInput, units: string) {
  // Without a name it can be drawn, though not kept.
  const asked = { ...fryer, name: fryer.name.trim() || 'fryer' };
  const answer = useQuery({
    queryKey: ['portrait', { ...asked, name: '' }, units],
    queryFn: () => portrayFryer({ fryer: asked }),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  return answer.data ?? null;
}
