import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, client, type Schemas, type SimulationRequest } from '../api/client';
import { useSettled } from '../api/useSettled';

export type PanAnswer = Schemas['PanAnswer'];
export type SauceAnswer = Schemas['PanAnswerSauce'];
export type Serving = Schemas['Serving'];
export type Sauce = Schemas['Sauce'];

const AFTER_MS = 60;

/** Cooks the sauces of a dish as it changes; what is refused leaves the answer before it standing. */
export function usePan(request: SimulationRequest, household: string) {
  const key = JSON.stringify(request);
  const asked = useSettled(key, AFTER_MS);
  const { data, error, isPending } = useQuery({
    queryKey: ['pan', asked, household],
    queryFn: ({ signal }) => ask(client.POST('/pan', { body: JSON.parse(asked) as SimulationRequest, signal })),
    retry: false,
  });
  const [answer, setAnswer] = useState<PanAnswer | null>(null);
  if (data && data !== answer) setAnswer(data);
  return { answer: data ?? answer, pending: isPending || key !== asked, problem: error?.message ?? '' };
}
