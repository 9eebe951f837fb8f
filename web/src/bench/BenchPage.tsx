import { AtDish } from '../dish/AtDish';
import { OneBench } from './OneBench';

export default function BenchPage() {
  return (
    <AtDish view="Bench" waits="Clearing the bench…" worksFrom="the bench works from its pieces." page={OneBench} />
  );
}
