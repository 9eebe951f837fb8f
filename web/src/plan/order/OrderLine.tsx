import type { Fryer, Simulation } from '../../api/client';
import { Line } from '../../ui/sentence';
import { Before } from './Before';
import { Beside } from './Beside';
import { Coat, Cold, Dry } from './Outside';
import type { Order } from './part';
import { Pieces } from './Pieces';
import { Size } from './Size';
import { TableTime } from './TableTime';
import { Where } from './Where';

interface Props extends Order {
  fryers: Fryer[];
  piece: Simulation['piece'] | null;
}

/** What the cook has, as one sentence; each underlined part is a choice. */
export function OrderLine({ fryers, piece, ...order }: Props) {
  return (
    <Line aria-label="What you have">
      <Pieces {...order} /> of about <Size {...order} piece={piece} />, <Cold {...order} /> and <Dry {...order} />,{' '}
      <Coat {...order} />
      <Beside {...order} />
      <Before {...order} />, cooked in <Where {...order} fryers={fryers} />, on the table <TableTime {...order} />.
    </Line>
  );
}
