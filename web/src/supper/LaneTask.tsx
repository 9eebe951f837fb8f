import type { KeyboardEvent } from 'react';
import { type Run } from '../ui/history';
import { Button as AriaButton } from 'react-aria-components';
import styled, { css } from 'styled-components';
import { cssLab } from '../format/colour';
import { move } from '../race/move';
import { useDrag } from '../race/useDrag';
import { drawnAs, TOKEN, type PlacedLane } from './laneRows';
import { TaskPicture } from './TaskPicture';
import { whyItStays } from './whyItStays';
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
  svg {
    display: block;
    margin: 0 auto;
  }
`;

const Box = styled(AriaButton).attrs({ className: 'drawn' })`
  ${look}
`;

/** What is too short for a finger: its picture stands with the hands. */
const Mark = styled.div`
  ${look}
  padding: 0;
`;

// A picture stands at its moment, which is its left edge; the bar below lasts as long as it does.
const Token = styled(AriaButton).attrs({ className: 'drawn' })`
  ${look}
  overflow: visible;
  padding: 0;
  width: ${TOKEN}px;
  height: ${TOKEN}px;
  border-radius: 3px 8px 8px 8px;
  border: 1px solid var(--line);
  i {
    position: absolute;
    left: -1px;
    bottom: -5px;
    height: 4px;
    border-radius: 2px;
    background: var(--ink);
  }
`;

/** About as wide as a letter is, px. */
const LETTER = 6.4;

/** What may be held to a moment. */
export const moves = (t: SheetTask) => whyItStays(t) === undefined;

const toIso = (ms: number) => new Date(Math.round(ms / 60_000) * 60_000).toISOString();

/** A task with its time. */
export const timed = (t: SheetTask) => `${hhmm(t.start)} to ${hhmm(t.end)}: ${t.says}`;

/** To which side a task is moved, and gives way there. */
type Side = -1 | 1;

export type Pin = (run: Run, task: string, start: string | undefined, side?: Side) => void;

interface Props {
  task: SheetTask;
  lane: PlacedLane;
  row: number;
  scale: TimeScale;
  /** What it is called where there is little room. */
  short: string;
  tell: (task: SheetTask, more?: string) => void;
  pin: Pin;
  /** Where tasks of hands are walked along: whether it is the one that Tab comes to, and the way to the others. */
  tabbed?: boolean;
  walk?: (by: number) => void;
}

/** One task on its lane, which may be dragged or moved by keys. */
export function LaneTask({ task: t, lane: l, row, scale: { x }, short, tell, pin, tabbed = true, walk }: Props) {
  const { grip } = useDrag();
  const why = whyItStays(t);
  const hold = (ms: number, side: Side) => {
    if (why) tell(t, why);
    else pin(`pin ${t.id}`, t.id, toIso(ms), side);
  };
  const long = x(at(t.end)) - x(at(t.start));
  const wide = Math.max(3, long - 1);
  const colours = t.colours ?? [];
  const as = drawnAs(t, l, x);
  const written = as === 'bar' && short.length * LETTER + 12 <= wide;
  const top = l.top + row * l.rowHigh;
  const common = {
    'data-kind': t.kind,
    'data-pin': t.pin || undefined,
    'data-moves': why ? undefined : true,
    'data-task': t.id,
    'aria-label': `${l.name}. ${written && !t.says.includes(short) ? `${short}, ` : ''}${timed(t)}${t.pin ? ', pinned' : ''}`,
    onHoverStart: () => tell(t),
    onFocus: () => tell(t),
    onPress: () => tell(t),
    onPointerDownCapture: why
      ? undefined
      : grip((_, drag) => (dx) => {
          pin(drag, t.id, toIso(x.invert(x(at(t.start)) + dx).valueOf()), dx < 0 ? -1 : 1);
        }),
    onKeyDown: (e: KeyboardEvent) => {
      if (walk && (e.key === 'ArrowUp' || e.key === 'ArrowDown')) {
        e.preventDefault();
        walk(e.key === 'ArrowUp' ? -1 : 1);
        return;
      }
      move(
        (up, right) => {
          const by = right + up;
          hold(at(t.start) + by * 60_000, by < 0 ? -1 : 1);
        },
        () => pin(`unpin ${t.id}`, t.id, undefined),
      )(e);
    },
  };
  if (as === 'mark')
    return (
      <Mark
        aria-hidden
        data-kind={t.kind}
        style={{ left: x(at(t.start)), top, width: wide, height: 31 }}
        onPointerEnter={() => tell(t)}
      />
    );
  if (as === 'picture')
    return (
      <Token {...common} data-hands={l.hands} excludeFromTabOrder={!tabbed} style={{ left: x(at(t.start)), top }}>
        <TaskPicture kind={t.kind} size={16} />
        <i style={{ width: Math.max(2, long) }} />
      </Token>
    );
  return (
    <Box
      {...common}
      style={{
        left: x(at(t.start)),
        top,
        width: wide,
        height: 31,
        ...(written ? {} : { padding: 0, overflow: 'visible' }),
        ...(t.kind === 'run' && colours.length > 1
          ? { background: `linear-gradient(90deg, ${colours.map(cssLab).join(', ')})` }
          : {}),
      }}
    >
      {written ? short : <TaskPicture kind={t.kind} size={16} />}
    </Box>
  );
}
