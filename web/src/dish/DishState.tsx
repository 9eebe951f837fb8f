import { Redo2, Undo2 } from 'lucide-react';
import styled from 'styled-components';
import { IconButton } from '../ui/Button';
import type { Dish } from './useDish';

const Kept = styled.span`
  font-size: 14px;
  color: var(--quiet);
  min-width: 62px;
  text-align: right;
`;

const words = { kept: 'Kept', keeping: 'Keeping…', unsent: 'Kept on this device only' };

/** Where a dish is kept, and the way back. */
export function DishState({ dish }: { dish: Dish }) {
  return (
    <>
      <Kept role="status">{words[dish.kept]}</Kept>
      <IconButton label="Undo" isDisabled={!dish.canUndo} onPress={dish.undo}>
        <Undo2 size={18} aria-hidden />
      </IconButton>
      <IconButton label="Redo" isDisabled={!dish.canRedo} onPress={dish.redo}>
        <Redo2 size={18} aria-hidden />
      </IconButton>
    </>
  );
}
