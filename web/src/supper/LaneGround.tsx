import type { PlacedLane } from './laneRows';
import { at, hhmm, ticks, type TimeScale } from './time';
import type { Sheet } from './useSupper';

interface Props {
  sheet: Sheet;
  lanes: PlacedLane[];
  scale: TimeScale;
  width: number;
  height: number;
  left: number;
  right: number;
  compact: boolean;
}

/** The hours, the lanes with their names, the turns, and the table as a line. */
export function LaneGround({ sheet, lanes, scale, width, height, left, right, compact }: Props) {
  const { x } = scale;
  const table = at(sheet.serveAt);
  return (
    <svg width={width} height={height} aria-hidden>
      {scale.folds === null ? null : (
        <rect x={left} y={26} width={x(scale.folds) - left} height={height - 48} fill="var(--soft)" opacity={0.5} />
      )}
      {ticks(scale, table, right).map((t) => (
        <g key={t}>
          <line x1={x(t)} x2={x(t)} y1={26} y2={height - 22} stroke="var(--line)" />
          <text x={x(t)} y={16} textAnchor="middle" style={{ fontWeight: 600 }}>
            {hhmm(t)}
          </text>
        </g>
      ))}
      {lanes.map((l) => (
        <g key={l.id}>
          <text x={0} y={compact ? l.top - 7 : l.top + 20} style={{ fontWeight: 600 }}>
            {!compact && l.name.length > 14 ? `${l.name.slice(0, 13)}…` : l.name}
          </text>
          <line
            x1={0}
            x2={right}
            y1={l.top - (compact ? 26 : 8)}
            y2={l.top - (compact ? 26 : 8)}
            stroke="var(--line)"
            opacity={0.8}
          />
          {l.tasks
            .filter((t) => t.kind === 'run')
            .flatMap((t) =>
              sheet.tasks
                .filter((u) => u.kind === 'turn' && u.dish === t.dish && u.basket === t.basket)
                .map((u) => ({ u, top: l.top + (l.rows[l.tasks.indexOf(t)] ?? 0) * l.rowHigh })),
            )
            .map(({ u, top }) => (
              <g key={u.id}>
                <line
                  x1={x(at(u.start))}
                  x2={x(at(u.start))}
                  y1={top + 30}
                  y2={top + 41}
                  stroke="var(--ink)"
                  strokeWidth={1.8}
                />
              </g>
            ))}
        </g>
      ))}
      <line x1={x(table)} x2={x(table)} y1={22} y2={height - 16} stroke="var(--window-edge)" strokeWidth={4} />
      <text x={x(table)} y={16} textAnchor="middle" style={{ fontWeight: 700 }}>
        {hhmm(table)}
      </text>
      <text x={x(table)} y={height - 2} textAnchor="end" style={{ fontWeight: 600 }}>
        table
      </text>
    </svg>
  );
}
