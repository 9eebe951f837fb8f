import { hours } from '../../format/units';
import { Button } from '../../ui/Button';
import { OrderPart, type Order } from './part';
import { Small } from './Size';

/** What the bench does to it before the basket, but for the knife. */
function doings({ lot }: Order): string[] {
  const { salting, marinade } = lot.bench ?? {};
  const into = { dry: 'salt', brine: 'brine' }[salting?.school ?? ''] ?? 'a soak';
  return [
    ...(salting ? [`${hours(salting.hours)} in ${into}`] : []),
    ...(marinade?.items.length ? [`${hours(marinade.hours)} in the marinade`] : []),
  ];
}

export function Before(order: Order) {
  const { toBench } = order;
  const list = doings(order);
  if (list.length === 0) return null;
  return (
    <>
      , after{' '}
      <OrderPart title="Before the basket" text={list.join(' and ')}>
        {(close) => (
          <>
            <Small>What is done on the bench is worked out from these pieces and fed into the forecast.</Small>
            <Button
              onPress={() => {
                close();
                toBench();
              }}
            >
              To the bench
            </Button>
          </>
        )}
      </OrderPart>
    </>
  );
}
