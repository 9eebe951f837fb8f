import { type Run } from '../ui/history';
import { Button as AriaButton } from 'react-aria-components';
import styled, { css } from 'styled-components';
import { cssLab } from '../format/colour';
import { move } from '../race/move';
import { useDrag } from '../race/useDrag';
import type { PlacedLane } from './laneRows';
import { at, hhmm, type TimeScale } from './time';
import type { SheetTask } from './useSupper';

const look = css`
  position: absolute;
  print-color-adjust: exact;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
  padding: 0 6px;
  border: 0;
  min-width: 0;
  border-radius: 6px;
  background: var(--soft);
  color: var(--ink);
  font-size: 13px;
  font-weight: 600;
  text-align: start;
  cursor: default;
  touch-action: pan-y;
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
    z-index: 3;
  }
  &[data-moves] {
    cursor: ew-resize;
    touch-action: none;
  }
  &[data-pin] {
    border: 2px dashed var(--ink);
  }
  &[data-kind='wait'] {
    background: var(--core-wash);
  }
  &[data-kind='hold'] {
    background: var(--hold);
  }
  &[data-kind='bench'],
  &[data-kind='step'] {
    background: var(--board);
  }
  &[data-kind='pan'],
  &[data-kind='simmer'] {
    background: var(--pot);
  }
  &[data-kind='run'] {
    border: 2px solid var(--heat);
    color: var(--on-lemon);
  }
  &[data-kind='heat'] {
    background: var(--heat-wash);
    border: 1px solid var(--line);
  }
  &[data-kind='flash'] {
    background: var(--heat);
    color: var(--on-heat);
  }
  &[data-kind='toss'],
  &[data-kind='table'] {
    background: var(--lemon);
    color: var(--on-lemon);
  }
  &[data-hands] {
    background: var(--ink);
    color: var(--paper);
    border-radius: 6px;
  }
`;

const Box = styled(AriaButton).attrs({ className: 'drawn' })`
  ${look}
`;

/** What is too small to be taken hold of: the list by the clock does. */
const Mark = styled.div`
  ${look}
`;

/** The least that a finger or a pointer takes hold of, px. */
const LEAST = 26;

/** What may be held to a moment. */
export const moves = new Set(['bench', 'step', 'pan', 'simmer', 'run', 'load']);

const toIso = (ms: number) => new Date(Math.round(ms / 60_000) * 60_000).toISOString();

/** A task with its time. */
export const timed = (t: SheetTask) => `${hhmm(t.start)} to ${hhmm(t.end)}: ${t.says}`;

interface Props {
  task: SheetTask;
  lane: PlacedLane;
  row: number;
  scale: TimeScale;
  /** What it is called where there is little room. */
  short: string;
  tell: (task: SheetTask) => void;
  pin: (run: Run, task: string, start: string | undefined) => void;
}

/** One task on its lane, which may be dragged or moved by keys. */
export function LaneTask({ task: t, lane: l, row, scale: { x }, short, tell, pin }: Props) {
  const { grip } = useDrag();
  const wide = Math.max(3, x(at(t.end)) - x(at(t.start)) - 1);
  const may = !l.hands && moves.has(t.kind) && wide >= LEAST;
  const colours = t.colours ?? [];
  const minutes = (ms: number) => pin(`pin ${t.id}`, t.id, toIso(ms));
  const style = {
    left: x(at(t.start)),
    top: l.top + row * l.rowHigh,
    width: wide,
    ...(wide > 26 ? {} : { padding: 0 }),
    height: l.hands ? 26 : 31,
    ...(t.kind === 'run' && colours.length > 1
      ? { background: `linear-gradient(90deg, ${colours.map(cssLab).join(', ')})` }
      : {}),
  };
  const text = wide > LEAST && !l.hands ? short : '';
  const data = {
    'data-kind': t.kind,
    'data-pin': t.pin || undefined,
    'data-hands': l.hands || undefined,
    style,
  };
  if (wide < 24 || l.hands)
    return (
      <Mark {...data} aria-hidden onPointerEnter={() => tell(t)}>
        {text}
      </Mark>
    );
  return (
    <Box
      {...data}
      data-moves={may || undefined}
      aria-label={`${l.name}. ${timed(t)}${t.pin ? ', pinned' : ''}`}
      onHoverStart={() => tell(t)}
      onFocus={() => tell(t)}
      onPress={() => tell(t)}
      onPointerDownCapture={
        may ? grip((_, drag) => (dx) => pin(drag, t.id, toIso(x.invert(x(at(t.start)) + dx).valueOf()))) : undefined
      }
      onKeyDown={
        may
          ? move(
              (up, side) => minutes(at(t.start) + (side + up) * 60_000),
              () => pin(`unpin ${t.id}`, t.id, undefined),
            )
          : undefined
      }
    >
      {text}
    </Box>
  );
}
