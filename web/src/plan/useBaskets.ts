import { ask, client, type Schemas, type SimulationRequest } from '../api/client';
import { useWorkedOut } from '../api/useWorkedOut';

export type BasketsAnswer = Schemas['Baskets'];
export type Batching = BasketsAnswer['batchings'][number];

/** How a dish goes through its fryers; nothing while it simply fits. What is wrong is said by its simulation. */
export const useBaskets = (request: SimulationRequest | null) =>
  useWorkedOut(request, {
    name: 'baskets',
    restMs: 450,
    work: (body, signal) => ask(client.POST('/baskets', { body, signal })),
  });
