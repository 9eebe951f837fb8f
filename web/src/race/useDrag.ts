import { useCallback, useEffect, useRef, type PointerEvent as Pointing } from 'react';
import type { Drag } from '../ui/history';

const SLOP = 5;

/** What a drag does with the way from where it began, in pixels. */
export type Pull = (dx: number, dy: number) => void;

/**
 * Drags something by mouse, pen or finger. `begin` is called when the hand has
 * moved far enough to mean it, with this one drag, and answers with
 * what each move does.
 */
export function useDrag() {
  const stop = useRef<() => void>(undefined);
  /** Whether the press that just ended was a drag: then it is no click. */
  const dragged = useRef(false);
  useEffect(() => () => stop.current?.(), []);
  const grip = useCallback(
    (begin: (sideways: boolean, drag: Drag) => Pull, end: () => void = () => undefined) =>
      (e: Pointing) => {
        if (e.button !== 0 || !e.isPrimary) return;
        const { clientX, clientY, pointerId } = e;
        let pull: Pull | null = null;
        dragged.current = false;
        const move = (m: PointerEvent) => {
          if (m.pointerId !== pointerId) return;
          const dx = m.clientX - clientX;
          const dy = m.clientY - clientY;
          if (!pull) {
            if (Math.hypot(dx, dy) < SLOP) return;
            dragged.current = true;
            pull = begin(Math.abs(dx) > Math.abs(dy), { drag: m.timeStamp });
          }
          m.preventDefault();
          pull(dx, dy);
        };
        const done = (m?: PointerEvent) => {
          if (m && m.pointerId !== pointerId) return;
          window.removeEventListener('pointermove', move);
          window.removeEventListener('pointerup', done);
          window.removeEventListener('pointercancel', done);
          stop.current = undefined;
          if (pull) end();
        };
        stop.current?.();
        stop.current = done;
        window.addEventListener('pointermove', move, { passive: false });
        window.addEventListener('pointerup', done);
        window.addEventListener('pointercancel', done);
      },
    [],
  );
  return { grip, dragged };
}
