import { type Run } from '../ui/history';
import type { Catalog, PlanInput, Schemas } from '../api/client';
import type { EditDish } from '../dish/useDish';
import type { Units } from '../format/units';
import type { Bench, BenchAnswer } from './useBench';

/** What the controls of a station need. */
export interface StationProps {
  plan: PlanInput;
  bench: Bench;
  /** Changes the bench. */
  set: (run: Run, change: (now: Bench) => Bench) => void;
  /** Changes the dish itself. */
  edit: EditDish;
  answer: BenchAnswer;
  pantry: Schemas['Ingredient'][];
  catalog: Catalog;
  units: Units;
}
