import { Redo2, Undo2 } from 'lucide-react';
import { IconButton } from '../ui/Button';
import { KeptState } from '../ui/KeptState';
import type { Dish } from './useDish';

/** Where a dish or a supper is kept, and the way back. */
export function DishState({ dish }: { dish: Pick<Dish, 'kept' | 'canUndo' | 'canRedo' | 'undo' | 'redo'> }) {
  return (
    <>
      <KeptState kept={dish.kept} />
      <IconButton label="Undo" isDisabled={!dish.canUndo} onPress={dish.undo}>
        <Undo2 size={18} aria-hidden />
      </IconButton>
      <IconButton label="Redo" isDisabled={!dish.canRedo} onPress={dish.redo}>
        <Redo2 size={18} aria-hidden />
      </IconButton>
    </>
  );
}
