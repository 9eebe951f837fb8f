import { hours } from '../../format/units';
import { Button } from '../../ui/Button';
import { OrderPart, type Order } from './part';
import { Small } from './Size';

/** What the bench does to it before the basket. */
function doings({ plan, catalog, units }: Order): string[] {
  const { cutting, salting, marinade } = plan.bench ?? {};
  const as = catalog.cuts.find((c) => c.id === cutting?.as);
  return [
    ...(cutting?.wholeG && cutting.pieces ? [`${units.mass(cutting.wholeG)} cut into ${cutting.pieces}`] : []),
    ...(as ? [`made into ${as.plural}`] : []),
    ...(salting
      ? [
          `${hours(salting.hours)} in ${salting.school === 'dry' ? 'salt' : salting.school === 'brine' ? 'brine' : 'a soak'}`,
        ]
      : []),
    ...(marinade?.items.length ? [`${hours(marinade.hours)} in the marinade`] : []),
  ];
}

export function Before({ toBench, ...order }: Order & { toBench: () => void }) {
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
