import type { ReactNode } from 'react';
import type { Catalog, Lot, PlanInput } from '../../api/client';
import type { Run } from '../../ui/history';
import type { EditDish } from '../../dish/useDish';
import type { Units } from '../../format/units';
import { Pop } from '../../ui/Pop';
import { Part } from '../../ui/sentence';

/** What every part of the order needs. */
export interface Order {
  plan: PlanInput;
  /** The lot that is told, and its place. */
  lot: Lot;
  at: number;
  /** Its pieces as they come off the bench. */
  load: Lot['load'];
  /** How the coat is said, where it has no name. */
  coatSays: string | undefined;
  toBench: () => void;
  edit: EditDish;
  /** Changes the lot alone. */
  editLot: (run: Run, change: (now: Lot) => Lot) => void;
  catalog: Catalog;
  units: Units;
}

interface Props {
  title: string;
  text: string;
  width?: number;
  children: ReactNode | ((close: () => void) => ReactNode);
}

/** An underlined part of the order, and what opens from it. */
export function OrderPart({ title, text, width, children }: Props) {
  return (
    <Pop title={title} body={children} {...(width ? { width } : {})}>
      <Part>{text}</Part>
    </Pop>
  );
}
