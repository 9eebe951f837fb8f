import { useId } from 'react';
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

interface Props {
  profile: NonNullable<BenchLot['profile']>;
  units: Units;
}

const WIDE = 300;

/** Salt in the section of a piece: from both surfaces to the middle, the darker the saltier. */
export function SaltSection({ profile, units }: Props) {
  const id = useId().replaceAll(':', '');
  const deepest = profile.at(-1)?.mm ?? 1;
  const top = Math.max(0.5, ...profile.map((p) => p.pct));
  const middle = profile.at(-1)?.pct ?? 0;
  const stops = profile.map((p) => ({ at: p.mm / deepest / 2, much: p.pct / top }));
  return (
    <Box>
      <svg
        viewBox={`0 0 ${WIDE} 84`}
        width="100%"
        role="img"
        aria-label={`Salt from ${top.toFixed(1)} percent at the surface to ${middle.toFixed(1)} in the middle`}
      >
        <linearGradient id={id}>
          {[...stops, ...stops.map((s) => ({ at: 1 - s.at, much: s.much })).reverse()].map((s, k) => (
            <stop key={k} offset={s.at} stopColor="var(--core)" stopOpacity={0.12 + 0.88 * s.much} />
          ))}
        </linearGradient>
        <text x={2} y={15}>
          {top.toFixed(1)} % at the surface
        </text>
        <rect x={1} y={23} width={WIDE - 2} height={36} rx={17} fill={`url(#${id})`} stroke="var(--line)" />
        <text x={WIDE / 2} y={46} textAnchor="middle">
          {middle.toFixed(1)} %
        </text>
        <text x={WIDE / 2} y={78} textAnchor="middle">
          {units.length.words(deepest)} in, the middle
        </text>
      </svg>
    </Box>
  );
}
