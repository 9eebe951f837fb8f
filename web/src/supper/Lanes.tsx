import { useState } from 'react';
import { Button as AriaButton } from 'react-aria-components';
import styled, { css } from 'styled-components';
import type { Fryer } from '../api/client';
import { cssLab } from '../format/colour';
import { move } from '../race/move';
import { useDrag } from '../race/useDrag';
import { useWidth } from '../race/useWidth';
import { at, hhmm, ticks, timeScale } from './time';
import type { Sheet, SheetTask } from './useSupper';

// What was drawn for a screen is made as wide as a page.
const PAGE = 670;

const Frame = styled.div`
  position: relative;
  min-width: 0;
  @media print {
    zoom: var(--fit);
  }
  svg {
    display: block;
    overflow: visible;
  }
  text {
    font-size: 13.5px;
    fill: var(--ink);
  }
`;

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
    color: #16292b;
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
    color: #16292b;
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

const Over = styled.p`
  min-height: 22px;
  margin-top: 4px;
  font-size: 14.5px;
`;

/** What may be held to a moment. */
export const moves = new Set(['bench', 'step', 'pan', 'simmer', 'run', 'load']);

interface Props {
  sheet: Sheet;
  fryers: Fryer[];
  names: Record<string, string>;
  pending: boolean;
  problem: string;
  /** Holds a task to a moment; undefined lets it go. */
  pin: (drag: string, task: string, start: string | undefined) => void;
}

interface Lane {
  id: string;
  name: string;
  tasks: SheetTask[];
  hands?: boolean;
}

/** Places and hands as lanes, with the table as the line on the right. */
export function Lanes({ sheet, fryers, names, pending, problem, pin }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { grip } = useDrag();
  const [told, setTold] = useState<SheetTask | null>(null);
  const compact = width < 620;
  const left = compact ? 58 : 104;
  const right = Math.max(width, 280) - 16;
  const table = at(sheet.serveAt);
  const scale = timeScale(at(sheet.startAt), table, left, right);
  const { x } = scale;
  const on = (place: string) => sheet.tasks.filter((t) => t.place === place && t.kind !== 'load' && t.kind !== 'out');
  const lanes: Lane[] = [
    { id: 'fridge', name: 'Fridge', tasks: on('fridge') },
    { id: 'board', name: 'Board', tasks: on('board') },
    ...fryers
      .map((f) => ({ id: f.id, name: fryers.length > 1 || compact ? f.name : 'Fryer', tasks: on(f.id) }))
      .filter((l) => l.tasks.length > 0),
    {
      id: 'oven',
      name: 'Oven, warm',
      tasks: [...on('oven'), ...sheet.tasks.filter((t) => t.kind === 'hold' && t.place === 'none')],
    },
    { id: 'hob', name: 'Hob', tasks: on('hob') },
  ].filter((l) => l.tasks.length > 0);
  const most = Math.max(1, ...sheet.tasks.map((t) => t.who ?? 0));
  for (let who = 1; who <= most; who++)
    lanes.push({
      id: `hands${who}`,
      name: most > 1 ? `Hands ${who}` : 'Hands',
      tasks: sheet.tasks.filter((t) => t.who === who),
      hands: true,
    });
  // What overlaps in one place stands in rows.
  const placed = lanes.map((l) => {
    const ends: number[] = [];
    const rows = l.tasks.map((t) => {
      let row = ends.findIndex((end) => end <= at(t.start));
      if (row === -1) row = ends.length;
      ends[row] = at(t.end);
      return row;
    });
    return { ...l, rows, high: Math.max(1, ends.length) };
  });
  let y = 34;
  const tops = placed.map((l) => {
    const top = y;
    y += (l.hands ? 30 : 34) * l.high + 16;
    return top;
  });
  const height = y + 22;
  const short = (t: SheetTask) => {
    const dish = names[t.dish ?? ''] ?? '';
    if (t.kind === 'run')
      return `${dish}${t.basket && sheet.plate.filter((p) => p.dish === t.dish).length > 1 ? ` ${t.basket}` : ''}`;
    if (t.kind === 'flash') return 'flash';
    if (t.kind === 'hold') return `${dish}${t.basket ? ` ${t.basket}` : ''}`;
    return t.says;
  };
  const say = (t: SheetTask) => `${hhmm(t.start)} to ${hhmm(t.end)}: ${t.says}`;
  const toIso = (ms: number) => new Date(Math.round(ms / 60_000) * 60_000).toISOString();
  return (
    <Frame ref={ref} aria-busy={pending} style={{ '--fit': Math.min(1, PAGE / Math.max(1, width)) }}>
      {width > 0 ? (
        <>
          <svg width={width} height={height} aria-hidden>
            {scale.folds === null ? null : (
              <rect
                x={left}
                y={26}
                width={x(scale.folds) - left}
                height={height - 48}
                fill="var(--soft)"
                opacity={0.5}
              />
            )}
            {ticks(scale, table, right).map((t) => (
              <g key={t}>
                <line x1={x(t)} x2={x(t)} y1={26} y2={height - 22} stroke="var(--line)" />
                <text x={x(t)} y={16} textAnchor="middle" style={{ fontWeight: 600 }}>
                  {hhmm(t)}
                </text>
              </g>
            ))}
            {placed.map((l, i) => (
              <g key={l.id}>
                <text x={0} y={(tops[i] ?? 0) + 20} style={{ fontWeight: 600 }}>
                  {compact ? l.name.slice(0, 8) : l.name.length > 14 ? `${l.name.slice(0, 13)}…` : l.name}
                </text>
                <line
                  x1={0}
                  x2={right}
                  y1={(tops[i] ?? 0) - 8}
                  y2={(tops[i] ?? 0) - 8}
                  stroke="var(--line)"
                  opacity={0.8}
                />
                {l.tasks
                  .filter((t) => t.kind === 'run')
                  .flatMap((t) =>
                    sheet.tasks.filter((u) => u.kind === 'turn' && u.dish === t.dish && u.basket === t.basket),
                  )
                  .map((u) => (
                    <g key={u.id}>
                      <line
                        x1={x(at(u.start))}
                        x2={x(at(u.start))}
                        y1={(tops[i] ?? 0) + 30}
                        y2={(tops[i] ?? 0) + 41}
                        stroke="var(--ink)"
                        strokeWidth={1.8}
                      />
                    </g>
                  ))}
              </g>
            ))}
            <line x1={x(table)} x2={x(table)} y1={22} y2={height - 16} stroke="#a8801a" strokeWidth={4} />
            <text x={x(table)} y={16} textAnchor="middle" style={{ fontWeight: 700 }}>
              {hhmm(table)}
            </text>
            <text x={x(table)} y={height - 2} textAnchor="end" style={{ fontWeight: 600 }}>
              table
            </text>
          </svg>
          {placed.map((l, i) =>
            l.tasks.map((t, k) => {
              const wide = Math.max(3, x(at(t.end)) - x(at(t.start)) - 1);
              const may = !l.hands && moves.has(t.kind) && wide >= LEAST;
              const colours = t.colours ?? [];
              const minutes = (ms: number) => pin(`pin ${t.id}`, t.id, toIso(ms));
              const style = {
                left: x(at(t.start)),
                top: (tops[i] ?? 0) + (l.rows[k] ?? 0) * (l.hands ? 30 : 34),
                width: wide,
                ...(wide > 26 ? {} : { padding: 0 }),
                height: l.hands ? 26 : 31,
                ...(t.kind === 'run' && colours.length > 1
                  ? { background: `linear-gradient(90deg, ${colours.map(cssLab).join(', ')})` }
                  : {}),
              };
              const text = wide > LEAST && !l.hands ? short(t) : '';
              const data = {
                'data-kind': t.kind,
                'data-pin': t.pin || undefined,
                'data-hands': l.hands || undefined,
                style,
              };
              if (wide < 24 || l.hands)
                return (
                  <Mark key={`${l.id} ${t.id}`} {...data} aria-hidden onPointerEnter={() => setTold(t)}>
                    {text}
                  </Mark>
                );
              return (
                <Box
                  key={`${l.id} ${t.id}`}
                  {...data}
                  data-moves={may || undefined}
                  aria-label={`${l.name}. ${say(t)}${t.pin ? ', pinned' : ''}`}
                  onHoverStart={() => setTold(t)}
                  onFocus={() => setTold(t)}
                  onPress={() => setTold(t)}
                  onPointerDownCapture={
                    may
                      ? grip((_, drag) => (dx) => pin(drag, t.id, toIso(x.invert(x(at(t.start)) + dx).valueOf())))
                      : undefined
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
            }),
          )}
        </>
      ) : null}
      <Over role="status" className="no-print">
        {problem ? (
          <b>{problem}</b>
        ) : told ? (
          say(told)
        ) : (
          'Drag a task, or use the arrow keys, to hold it to a moment; Delete lets it go. In the list below each has its time.'
        )}
      </Over>
    </Frame>
  );
}
