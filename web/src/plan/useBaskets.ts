import { useEffect, useState } from 'react';
import { ask, client, type Schemas, type SimulationRequest } from '../api/client';

export type BasketsAnswer = Schemas['Baskets'];
export type Batching = BasketsAnswer['batchings'][number];

export interface Dish {
  request: SimulationRequest;
  perBasket?: number;
  second?: Schemas['SimulationFryer'];
}

const AFTER_MS = 450;

/** How a dish goes through its fryers; nothing while it simply fits. */
export function useBaskets(dish: Dish | null): { baskets: BasketsAnswer | null; pending: boolean } {
  const key = dish ? JSON.stringify(dish) : '';
  const [state, setState] = useState<{ key: string; baskets: BasketsAnswer | null }>({ key: '', baskets: null });
  useEffect(() => {
    if (!key) return;
    const stop = new AbortController();
    const timer = setTimeout(() => {
      ask(client.POST('/baskets', { body: JSON.parse(key) as Dish, signal: stop.signal })).then(
        (baskets) => setState({ key, baskets }),
        () => {
          // What is wrong is said by the simulation of the first basket.
          if (!stop.signal.aborted) setState({ key, baskets: null });
        },
      );
    }, AFTER_MS);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [key]);
  return { baskets: key ? state.baskets : null, pending: key !== state.key };
}
