import { line } from 'd3-shape';
import styled from 'styled-components';
import type { Units } from '../format/units';
import type { BenchLot } from './useBench';

const Box = styled.figure`
  margin: 0;
  text {
    font-size: 12.5px;
    fill: var(--quiet);
  }
  figcaption {
    font-size: 13.5px;
    color: var(--quiet);
  }
`;

interface Props {
  profile: NonNullable<BenchLot['profile']>;
  units: Units;
}

/** Salt by depth, from the surface to the middle. */
export function SaltProfile({ profile, units }: Props) {
  const deepest = profile.at(-1)?.mm ?? 1;
  const top = Math.max(0.5, ...profile.map((p) => p.pct));
  const x = (mm: number) => 34 + (mm / deepest) * 250;
  const y = (pct: number) => 96 - (pct / top) * 82;
  const path =
    line<(typeof profile)[number]>(
      (p) => x(p.mm),
      (p) => y(p.pct),
    )(profile) ?? '';
  return (
    <Box>
      <svg
        viewBox="0 0 300 118"
        width="100%"
        role="img"
        aria-label={`Salt from ${top.toFixed(1)} percent at the surface to ${(profile.at(-1)?.pct ?? 0).toFixed(1)} in the middle`}
      >
        <line x1={34} x2={284} y1={96} y2={96} stroke="var(--ink)" />
        <path d={`${path}L${x(deepest)} 96L34 96Z`} fill="var(--core-wash)" />
        <path d={path} fill="none" stroke="var(--core)" strokeWidth={2.5} />
        <text x={28} y={y(top) + 5} textAnchor="end">
          {top.toFixed(1)}
        </text>
        <text x={28} y={99} textAnchor="end">
          0 %
        </text>
        <text x={34} y={113}>
          surface
        </text>
        <text x={284} y={113} textAnchor="end">
          {units.length.words(deepest)}, the middle
        </text>
      </svg>
      <figcaption>Salt in the flesh by depth, after the time above.</figcaption>
    </Box>
  );
}
