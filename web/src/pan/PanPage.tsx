import { AtDish } from '../dish/AtDish';
import { OnePan } from './OnePan';

export default function PanPage() {
  return <AtDish view="Pan" waits="Getting the pan out…" worksFrom="a sauce is made for its pieces." page={OnePan} />;
}
