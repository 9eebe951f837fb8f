import type { Units } from '../format/units';

interface Props {
  units: Units;
  left: number;
  right: number;
  y: (c: number) => number;
}

/** Lines and figures at the round numbers of the household's scale. */
export function AirAxis({ units, left, right, y }: Props) {
  return units.axis.map((d) => {
    const at = y(units.fromDegrees(d));
    return (
      <g key={d}>
        <line x1={left} x2={right} y1={at} y2={at} stroke="var(--line)" />
        <text x={left - 10} y={at + 5} textAnchor="end">
          {d}°
        </text>
      </g>
    );
  });
}
