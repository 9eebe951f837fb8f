import type { KeyboardEvent } from 'react';

/** Arrow keys and Page Up and Down move what is held, Delete takes it away. */
export const move = (act: (up: number, right: number) => void, remove: () => void) => (e: KeyboardEvent) => {
  const keys: Record<string, [number, number]> = {
    ArrowUp: [1, 0],
    ArrowDown: [-1, 0],
    PageUp: [4, 0],
    PageDown: [-4, 0],
    ArrowRight: [0, 1],
    ArrowLeft: [0, -1],
  };
  const step = keys[e.key];
  if (step) {
    e.preventDefault();
    act(...step);
  } else if (e.key === 'Delete') {
    e.preventDefault();
    remove();
  }
};
