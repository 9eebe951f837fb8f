import type { ReactNode } from 'react';
import type { Catalog, Fryer, Lot, PlanInput, Schemas, Simulation } from '../../api/client';
import { onLot } from '../../dish/edits';
import type { EditDish } from '../../dish/useDish';
import type { Units } from '../../format/units';
import { runIn } from '../../ui/history';
import { Line, Whole } from '../../ui/sentence';
import { Before } from './Before';
import { LotTools } from './LotTools';
import { Coat, Cold, comesReady, Dry } from './Outside';
import type { Order } from './part';
import { Pieces } from './Pieces';
import { Size } from './Size';
import { TableTime } from './TableTime';
import { Where } from './Where';

interface Props {
  plan: PlanInput;
  edit: EditDish;
  catalog: Catalog;
  units: Units;
  fryers: Fryer[];
  /** Each lot as it goes into the basket, and what one piece of it is; none before there is an answer. */
  laid: Schemas['LaidLot'][];
  pieces: (Simulation['piece'] | null)[];
  toBench: () => void;
  /** In which of two drawers, and what lies in the other. */
  inDrawer?: ReactNode;
}

/** The pieces as they come off the bench, where they are cut up on it. */
function offBench({ load, bench }: Lot, laid: Schemas['LaidLot'] | undefined): Lot['load'] {
  if (!laid || !bench?.cutting) return load;
  const { cut, pieces, pieceMassG, thicknessMm } = laid.load;
  return { ...load, cut, pieces, pieceMassG, thicknessMm };
}

/** What the cook has, as one sentence; each underlined part is a choice. */
export function OrderLine({ plan, edit, catalog, units, fryers, laid, pieces, toBench, inDrawer }: Props) {
  const orders = plan.lots.map((lot, at): Order => ({
    plan,
    lot,
    at,
    load: offBench(lot, laid[at]),
    coatSays: laid[at]?.coatSays,
    toBench,
    edit,
    editLot: (run, change) => edit(runIn(run, at), (now) => onLot(now, at, change)),
    catalog,
    units,
  }));
  const all = orders.reduce((sum, o) => sum + o.load.pieces, 0);
  return (
    <Line aria-label="What you have">
      {orders.map((order, at) => (
        <span key={at}>
          {at > 0 ? ' Beside them ' : ''}
          <Pieces {...order} /> of about <Size {...order} piece={pieces[at] ?? null} />, <Cold {...order} />
          {comesReady(order.lot, catalog) ? null : (
            <>
              {' '}
              and <Dry {...order} />
            </>
          )}
          , <Coat {...order} />
          <Before {...order} />
          {orders.length > 1 ? (
            <>
              {' '}
              <Whole>
                (<LotTools {...order} />
                ).
              </Whole>
            </>
          ) : null}
        </span>
      ))}
      {orders.length > 1 ? ' All cooked' : ', cooked'} in{' '}
      <Where {...{ plan, edit, catalog, units, fryers }} pieces={all} />
      {inDrawer}, on the table <TableTime plan={plan} edit={edit} />.
    </Line>
  );
}
