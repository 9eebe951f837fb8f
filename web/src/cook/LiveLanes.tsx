import styled from 'styled-components';
import type { Doing, LiveEvening } from '../api/live';
import { cssLab } from '../format/colour';
import { useWidth } from '../race/useWidth';
import { hhmm, ticks, timeScale } from '../supper/time';

const Frame = styled.div`
  padding: 10px 14px 6px;
  border-radius: 16px;
  background: var(--surface);
  text {
    font-size: 14.5px;
    fill: var(--ink);
  }
  svg {
    display: block;
  }
`;

const ROW = 42;
const TOP = 30;

interface Lane {
  id: string;
  name: string;
  rows: Doing[][];
}

/** Which tasks stand beside one another in a lane, so that none covers another. */
function rowsOf(tasks: Doing[]): Doing[][] {
  const rows: Doing[][] = [];
  for (const t of tasks) {
    const row = rows.find((r) => Date.parse(r.at(-1)?.end ?? '') <= Date.parse(t.start));
    if (row) row.push(t);
    else rows.push([t]);
  }
  return rows;
}

const waits = new Set(['wait', 'hold', 'rest']);

function lanesOf(evening: LiveEvening): Lane[] {
  const tasks = evening.course.tasks.toSorted((a, b) => Date.parse(a.start) - Date.parse(b.start));
  const fryers = [...new Set(evening.baskets.map((b) => b.fryerId))];
  const shown = tasks.filter((t) => ['run', 'heat', 'flash', 'pan', 'simmer'].includes(t.kind) || waits.has(t.kind));
  const lane = (id: string, name: string, own: Doing[]) => ({ id, name, rows: rowsOf(own) });
  const name = (place: string) => tasks.find((t) => t.place === place)?.where ?? place;
  return [
    ...fryers.map((f) =>
      lane(
        f,
        name(f),
        shown.filter((t) => t.place === f),
      ),
    ),
    lane(
      'waits',
      'waiting',
      shown.filter((t) => waits.has(t.kind)),
    ),
    lane(
      'hob',
      'hob',
      shown.filter((t) => t.place === 'hob'),
    ),
    lane(
      'hands',
      'hands',
      tasks.filter((t) => t.hands > 0),
    ),
  ].filter((l) => l.rows.length > 0);
}

/** Where each lane begins, and below the last of them. */
function topsOf(lanes: Lane[]): number[] {
  const out = [TOP];
  for (const l of lanes) out.push((out.at(-1) ?? TOP) + Math.max(1, l.rows.length) * (l.id === 'hands' ? 30 : ROW) + 8);
  return out;
}

/** The evening’s lanes under a line that is now; what has been is dim, what has moved stands where it will be. */
export function LiveLanes({
  evening,
  nowMs,
  shows,
}: {
  evening: LiveEvening;
  nowMs: number;
  shows: (place: string) => boolean;
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { course } = evening;
  const lanes = lanesOf(evening).filter((l) => shows(l.id) || l.id === 'hands');
  const compact = width < 640;
  const left = compact ? 64 : 124;
  const right = width - 26;
  const table = Date.parse(course.serveAt);
  const planned = Date.parse(evening.plannedAt);
  const end = Math.max(table, planned, Math.min(nowMs, table + 30 * 60_000));
  // Of a long evening the last hour and what is to come.
  const start = Math.max(Date.parse(evening.startAt), Math.min(nowMs - 20 * 60_000, end - 70 * 60_000));
  const scale = timeScale(start, end, left, right);
  const x = (ms: number) => Math.max(left, Math.min(right, scale.x(ms)));
  const tops = topsOf(lanes);
  const placed = lanes.map((l, i) => ({ ...l, at: tops[i] ?? TOP }));
  const height = (tops.at(-1) ?? TOP) + 10;
  const coloursOf = (t: Doing) =>
    evening.baskets.find((b) => b.dish === t.dish && b.basket === t.basket)?.colours ?? [];
  const nameOf = (t: Doing) => evening.baskets.find((b) => b.dish === t.dish && b.basket === t.basket)?.name ?? t.name;
  const nowX = x(nowMs);
  return (
    <Frame
      ref={ref}
      role="img"
      aria-label={`The evening’s lanes: ${lanes.map((l) => l.name).join(', ')}. ${course.says}`}
    >
      {width > 0 ? (
        <svg width={width - 28} height={height} viewBox={`0 0 ${width} ${height}`}>
          <defs>
            {course.tasks
              .filter((t) => t.kind === 'run')
              .map((t) => (
                <linearGradient key={t.id} id={`live-${t.dish ?? ''}-${t.basket ?? 0}`}>
                  {coloursOf(t).map((lab, i, all) => (
                    <stop key={i} offset={i / Math.max(1, all.length - 1)} stopColor={cssLab(lab)} />
                  ))}
                </linearGradient>
              ))}
          </defs>
          {ticks(scale, end, right).map((t) => (
            <g key={t}>
              <line x1={x(t)} x2={x(t)} y1={22} y2={height - 8} stroke="var(--line)" />
              <text x={x(t)} y={15} textAnchor="middle">
                {hhmm(t)}
              </text>
            </g>
          ))}
          {placed.map((l) => (
            <g key={l.id}>
              <text x={0} y={l.at + 22} style={{ fontWeight: 600 }}>
                {compact ? l.name.slice(0, 8) : l.name.slice(0, 15)}
              </text>
              {l.rows.flatMap((row, k) =>
                row.map((t) => {
                  const from = x(Date.parse(t.start));
                  const to = Math.max(from + 3, x(Date.parse(t.end)) - 1);
                  if (Date.parse(t.end) <= start) return null;
                  const hands = l.id === 'hands';
                  const tall = hands ? 20 : 32;
                  const y = l.at + k * (hands ? 26 : ROW);
                  const run = t.kind === 'run';
                  return (
                    <g key={t.id} opacity={t.state === 'done' ? 0.5 : 1}>
                      <rect
                        x={from}
                        y={y}
                        width={to - from}
                        height={tall}
                        rx={hands ? 5 : 9}
                        fill={
                          run
                            ? `url(#live-${t.dish ?? ''}-${t.basket ?? 0})`
                            : hands
                              ? 'var(--ink)'
                              : t.kind === 'heat'
                                ? 'var(--soft)'
                                : t.kind === 'flash'
                                  ? 'var(--heat)'
                                  : waits.has(t.kind)
                                    ? 'var(--hold)'
                                    : 'var(--pot)'
                        }
                      />
                      {!hands && to - from > 54 ? (
                        <text
                          x={from + 8}
                          y={y + 21}
                          style={{ fontWeight: 600, ...(run ? { fill: 'var(--on-lemon)' } : {}) }}
                        >
                          {nameOf(t).slice(0, Math.floor((to - from - 12) / 7.6))}
                        </text>
                      ) : null}
                    </g>
                  );
                }),
              )}
            </g>
          ))}
          <rect
            x={left}
            y={22}
            width={Math.max(0, nowX - left)}
            height={height - 30}
            fill="var(--paper)"
            opacity={0.4}
          />
          <line x1={x(planned)} x2={x(planned)} y1={20} y2={height - 6} stroke="var(--window-edge)" strokeWidth={4} />
          {table - planned >= 60_000 ? (
            <line
              x1={x(table)}
              x2={x(table)}
              y1={20}
              y2={height - 6}
              stroke="var(--lemon)"
              strokeWidth={3}
              strokeDasharray="3 5"
            />
          ) : null}
          <rect x={nowX - 2.5} y={18} width={5} height={height - 24} rx={2} fill="var(--lemon)" />
          <text x={x(table)} y={15} textAnchor="middle" style={{ fontWeight: 700 }}>
            {hhmm(table)}
          </text>
        </svg>
      ) : null}
    </Frame>
  );
}
