import { useQuery } from '@tanstack/react-query';
import { ask, client, type Schemas, type SimulationRequest } from '../api/client';
import { useSettled } from '../api/useSettled';

export type BasketsAnswer = Schemas['Baskets'];
export type Batching = BasketsAnswer['batchings'][number];

const AFTER_MS = 450;

/** How a dish goes through its fryers; nothing while it simply fits. What is wrong is said by its simulation. */
export function useBaskets(request: SimulationRequest | null): { baskets: BasketsAnswer | null; pending: boolean } {
  const key = request ? JSON.stringify(request) : '';
  const asked = useSettled(key, AFTER_MS);
  const { data, isFetching } = useQuery({
    queryKey: ['baskets', asked],
    queryFn: ({ signal }) => ask(client.POST('/baskets', { body: JSON.parse(asked) as SimulationRequest, signal })),
    enabled: asked !== '',
    // It stays where it is under a hand; while it is pending nothing is said of it.
    placeholderData: (before) => before,
    retry: false,
  });
  return { baskets: key ? (data ?? null) : null, pending: key !== asked || isFetching };
}
