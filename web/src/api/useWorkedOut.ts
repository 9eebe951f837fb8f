import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useSettled } from './useSettled';

interface How<Asked, Answer> {
  /** What it is called among the questions that are asked. */
  name: string;
  /** How long a hand rests before it is asked, ms. */
  restMs: number;
  /** What the household says beside it, like its units: another has it answered anew. */
  household?: string;
  work: (asked: Asked, signal: AbortSignal) => Promise<Answer>;
}

/**
 * Works something out while it is edited; null asks nothing. The answer before
 * it stands until the next is here, and where that is refused, so that nothing
 * jumps under a hand; `pending` says that it is of what was asked before.
 */
export function useWorkedOut<Asked, Answer>(
  request: Asked | null,
  { name, restMs, household, work }: How<Asked, Answer>,
) {
  const key = request === null ? '' : JSON.stringify(request);
  const asked = useSettled(key, restMs);
  const { data, error, isPending } = useQuery({
    queryKey: [name, asked, household],
    queryFn: ({ signal }) => work(JSON.parse(asked) as Asked, signal),
    enabled: asked !== '',
    retry: false,
  });
  const [last, setLast] = useState<Answer | null>(null);
  if (data !== undefined && data !== last) setLast(data);
  return {
    answer: key === '' ? null : (data ?? last),
    pending: key !== asked || (asked !== '' && isPending),
    problem: error?.message ?? '',
  };
}
