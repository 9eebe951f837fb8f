import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, client, type Schemas, type SimulationRequest } from '../api/client';
import { useSettled } from '../api/useSettled';

export type Bench = Schemas['Bench'];
export type BenchAnswer = Schemas['BenchAnswer'];
export type Station = BenchAnswer['stations'][number];

const AFTER_MS = 220;

/**
 * Works the bench of a dish out as it changes; what is refused leaves the
 * answer before it standing. What the household says beside it, like its
 * units, has it answered anew.
 */
export function useBench(request: SimulationRequest, household: string) {
  const key = JSON.stringify(request);
  const asked = useSettled(key, AFTER_MS);
  const { data, error, isPending } = useQuery({
    queryKey: ['bench', asked, household],
    queryFn: ({ signal }) => ask(client.POST('/bench', { body: JSON.parse(asked) as SimulationRequest, signal })),
    retry: false,
  });
  const [answer, setAnswer] = useState<BenchAnswer | null>(null);
  if (data && data !== answer) setAnswer(data);
  return { answer: data ?? answer, pending: isPending || key !== asked, problem: error?.message ?? '' };
}
