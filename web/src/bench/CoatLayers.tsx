import styled from 'styled-components';
import type { Units } from '../format/units';
import type { BenchLot } from './useBench';

const Box = styled.figure`
  margin: 0;
  svg {
    display: block;
  }
  text {
    font-size: 13px;
    font-weight: 600;
    fill: var(--ink);
  }
`;

const WIDE = 300;
const FOOD = 26;

/** A grainy edge along the top of a layer. */
const edge = (y: number, rough: number) =>
  Array.from({ length: 26 }, (_, k) => `${k === 0 ? 'M' : 'L'}${k * 12} ${y - (k % 2 ? rough : 0)}`).join('');

/** What sticks, in layers on the food, as thick as there is of it. */
export function CoatLayers({ bowls, units }: { bowls: BenchLot['bowls']; units: Units }) {
  const all = bowls.reduce((sum, b) => sum + b.sticksG, 0);
  if (all <= 0) return null;
  const heights = bowls.map((b) => Math.max(14, (44 * b.sticksG) / all));
  const tall = heights.reduce((a, b) => a + b, 0);
  // Upwards from the food.
  const tops = heights.map((_, k) => 6 + tall - heights.slice(0, k + 1).reduce((a, b) => a + b, 0));
  return (
    <Box>
      <svg
        viewBox={`0 0 ${WIDE} ${tall + FOOD + 8}`}
        width="100%"
        role="img"
        aria-label={`On the food: ${bowls.map((b) => `${units.mass(b.sticksG)} of ${b.name}`).join(', then ')}`}
      >
        <rect
          x={0}
          y={tall + 6}
          width={WIDE}
          height={FOOD}
          style={{ fill: 'color-mix(in oklab, var(--heat) 30%, var(--surface))' }}
        />
        {bowls.map((b, k) => {
          const y = tops[k] ?? 0;
          const high = heights[k] ?? 0;
          return (
            <g key={k}>
              <path
                d={`${edge(y, k === bowls.length - 1 ? 3 : 0)}L${WIDE} ${y + high}L0 ${y + high}Z`}
                style={{
                  fill: `color-mix(in oklab, var(--lemon) ${Math.round(20 + (35 * (k + 1)) / bowls.length)}%, var(--surface))`,
                }}
                stroke="var(--edge)"
              />
              <text x={8} y={y + high / 2 + 5}>
                {b.name}, {units.mass(b.sticksG)}
              </text>
            </g>
          );
        })}
      </svg>
    </Box>
  );
}
