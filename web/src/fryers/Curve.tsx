import { scaleLinear } from 'd3-scale';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import type { Units } from '../format/units';
import { useWidth } from '../race/useWidth';

type Portrait = Schemas['Portrait'];
type At = Portrait['curve'][number];

const Holder = styled.div`
  width: 100%;
  svg {
    display: block;
  }
  text {
    fill: var(--quiet);
    font-size: 13px;
    font-variant-numeric: tabular-nums;
  }
  .yours {
    fill: var(--heat);
    font-weight: 600;
  }
`;

const HEIGHT = 264;
const box = { left: 44, right: 14, top: 26, bottom: HEIGHT - 34 };

/** What a dial really gives from cold: this fryer's air, what is left of its doubt, and that of any of its kind. */
export function Curve({ portrait, units }: { portrait: Portrait; units: Units }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { curve, dialC, settlesC, heatUpMin, alone = [] } = portrait;
  const end = curve.at(-1)?.minute ?? 12;
  const x = scaleLinear([0, end], [box.left, width - box.right]);
  const y = scaleLinear([0, Math.max(220, dialC + 20)], [box.bottom, box.top]);
  // Round figures of the household's own scale.
  const ticks = units.axis.filter((d) => d > 0);
  const line = (pick: (p: At, i: number) => number) =>
    curve.map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.minute).toFixed(1)} ${y(pick(p, i)).toFixed(1)}`).join('');
  const band = (low: (p: At) => number, high: (p: At) => number) =>
    `${line(high)}${[...curve]
      .reverse()
      .map((p) => `L${x(p.minute).toFixed(1)} ${y(low(p)).toFixed(1)}`)
      .join('')}Z`;
  const last = curve.at(-1);
  const label = `Dial at ${units.temperature(dialC)}: the air settles at ${units.temperature(settlesC)}; to ${units.temperature(200)} it takes ${heatUpMin.toFixed(1)} minutes`;
  return (
    <Holder ref={ref}>
      {width > 0 && last ? (
        <svg width={width} height={HEIGHT} role="img" aria-label={label}>
          {ticks.map((d) => (
            <g key={d}>
              <line
                x1={box.left}
                x2={width - box.right}
                y1={y(units.fromDegrees(d))}
                y2={y(units.fromDegrees(d))}
                stroke="var(--line)"
              />
              <text x={box.left - 8} y={y(units.fromDegrees(d)) + 4} textAnchor="end">
                {d}°
              </text>
            </g>
          ))}
          {(width < 460 ? [0, 4, 8, 12] : [0, 2, 4, 6, 8, 10, 12])
            .filter((m) => m <= end)
            .map((m) => (
              <text key={m} x={x(m)} y={HEIGHT - 12} textAnchor={m === end ? 'end' : 'middle'}>
                {m === end ? `${m} min` : m}
              </text>
            ))}
          <path
            d={band(
              (p) => p.kindLowC,
              (p) => p.kindHighC,
            )}
            fill="var(--soft)"
          />
          <path
            d={band(
              (p) => p.lowC,
              (p) => p.highC,
            )}
            fill="var(--heat)"
            opacity={0.16}
          />
          <line
            x1={box.left}
            x2={width - box.right}
            y1={y(dialC)}
            y2={y(dialC)}
            stroke="var(--heat)"
            strokeWidth={1.6}
            strokeDasharray="2 5"
          />
          <path d={line((p) => p.airC)} fill="none" stroke="var(--heat)" strokeWidth={3} strokeLinejoin="round" />
          {alone.length > 0 ? (
            <path
              d={line((_, i) => alone[i] ?? 0)}
              fill="none"
              stroke="var(--heat)"
              strokeWidth={2}
              strokeDasharray="7 4"
              strokeLinejoin="round"
            />
          ) : null}
          <text x={box.left + 6} y={y(dialC) - 7}>
            dial {units.temperature(dialC)}
          </text>
          <text className="yours" x={width - box.right} y={y(last.airC) + 24} textAnchor="end">
            {alone.length > 0 ? 'both drawers on, ' : 'yours, '}settling at {units.temperature(settlesC)}
          </text>
          <text x={width - box.right} y={y(last.airC) + 42} textAnchor="end">
            {alone.length > 0 ? 'dashed: one drawer alone; grey: any of its kind' : 'grey: any of its kind'}
          </text>
        </svg>
      ) : (
        <div style={{ height: HEIGHT }} />
      )}
    </Holder>
  );
}
