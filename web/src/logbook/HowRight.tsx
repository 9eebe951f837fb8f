import { scaleLinear } from 'd3-scale';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { useHowRight } from '../api/queries';
import type { Units } from '../format/units';
import { Card, Quiet } from '../ui/layout';
import { useWidth } from '../race/useWidth';

type Reading = Schemas['HowRight']['readings'][number];

const Box = styled(Card)`
  display: grid;
  gap: 10px;
  margin-top: 18px;
  h2 {
    font-size: 17px;
  }
  svg {
    display: block;
  }
  text {
    fill: var(--quiet);
    font-size: 13px;
    font-variant-numeric: tabular-nums;
  }
`;

const Says = styled.p<{ $well: boolean }>`
  max-width: 70ch;
  border-left: 4px solid var(${({ $well }) => ($well ? '--safe' : '--heat')});
  padding-left: 10px;
`;

const HEIGHT = 280;
/** How right what was foretold of the household's cooks was, dot by dot. */
export function HowRight({ units }: { units: Units }) {
  const right = useHowRight().data;
  if (!right || (right.readings.length === 0 && right.windows === 0)) return null;
  return (
    <Box aria-label="How right were we">
      <h2>How right were we</h2>
      <Says $well={right.well}>{right.says}</Says>
      <Dots readings={right.readings} units={units} />
      <Quiet>
        Each dot is a reading: left to right what was foretold of the coldest spot beforehand, upwards what the
        thermometer read. A tip lies up to {units.warmer.words(4)} warmer. Hollow ones lay outside of what nine in ten
        keep to.
      </Quiet>
    </Box>
  );
}

function Dots({ readings, units }: { readings: Reading[]; units: Units }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const all = readings.flatMap((r) => [r.readC, r.c]);
  const low = Math.floor(Math.min(20, ...all) / 10) * 10;
  const high = Math.ceil(Math.max(80, ...all) / 10) * 10;
  const size = Math.min(width, 560);
  const x = scaleLinear([low, high], [46, size - 12]);
  const y = scaleLinear([low, high], [HEIGHT - 30, 12]);
  const ticks = x.ticks(5);
  const outside = readings.filter((r) => !r.within).length;
  return (
    <div ref={ref}>
      {width > 0 ? (
        <svg
          width={size}
          height={HEIGHT}
          role="img"
          aria-label={`${readings.length} readings beside what was foretold, ${outside} of them outside of what nine in ten keep to`}
        >
          {ticks.map((t) => (
            <g key={t}>
              <line x1={x(low)} x2={x(high)} y1={y(t)} y2={y(t)} stroke="var(--line)" />
              <text x={40} y={y(t) + 4} textAnchor="end">
                {Math.round(units.toDegrees(t))}°
              </text>
              <text x={x(t)} y={HEIGHT - 10} textAnchor="middle">
                {Math.round(units.toDegrees(t))}°
              </text>
            </g>
          ))}
          <path
            d={`M${x(low)} ${y(low)}L${x(high)} ${y(high)}L${x(high - 4)} ${y(high)}L${x(low)} ${y(low + 4)}Z`}
            fill="var(--lemon)"
            opacity={0.35}
          />
          <line x1={x(low)} y1={y(low)} x2={x(high)} y2={y(high)} stroke="var(--ink)" strokeWidth={1.4} />
          {readings.map((r, i) => (
            <circle
              key={`${r.cookId}${i}`}
              cx={x(r.c)}
              cy={y(r.readC)}
              r={5}
              fill={r.within ? 'var(--core)' : 'var(--surface)'}
              stroke="var(--core)"
              strokeWidth={2}
              opacity={r.leftOut ? 0.4 : 1}
            />
          ))}
        </svg>
      ) : (
        <div style={{ height: HEIGHT }} />
      )}
    </div>
  );
}
