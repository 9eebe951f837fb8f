import { type Run } from '../ui/history';
import type { Catalog, Lot, PlanInput, Schemas } from '../api/client';
import type { Units } from '../format/units';
import type { Bench, BenchLot } from './useBench';

/** What the controls of a station need. */
export interface StationProps {
  plan: PlanInput;
  /** The lot that is worked on, and its place. */
  lot: Lot;
  at: number;
  bench: Bench;
  /** Changes the lot's bench. */
  set: (run: Run, change: (now: Bench) => Bench) => void;
  /** Changes the lot itself. */
  editLot: (run: Run, change: (now: Lot) => Lot) => void;
  answer: BenchLot;
  /** What of the pantry is a salt. */
  salts: string[];
  pantry: Schemas['Ingredient'][];
  catalog: Catalog;
  units: Units;
  /** When a station's turn is, and how long hands are at it; empty where it is not known. */
  when: (station: string) => string;
}
