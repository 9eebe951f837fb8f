import { useId } from 'react';
import styled from 'styled-components';
import type { Cook } from '../api/client';
import { turnWord } from '../race/Handles';
import { minuteTicks } from '../race/scale';
import { Strip } from '../race/Strip';
import { useWidth } from '../race/useWidth';

const Frame = styled.div`
  text {
    font-size: 16px;
    fill: var(--ink);
  }
  svg {
    display: block;
  }
`;

interface Props {
  cook: Cook;
  /** Its run, which what was seen has moved. */
  line: Cook['forecast']['timeline'];
  /** Minutes since the food went in; null before. */
  minute: number | null;
  faces: string[];
}

/** Both faces along the program, with now. */
export function Strips({ cook, line, minute, faces }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const id = useId().replaceAll(':', '');
  const last = line.at(-1)?.minute ?? 1;
  const end = Math.max(last, minute ?? 0);
  const x = (m: number) => 2 + (m / end) * (width - 8);
  const { fromMin, toMin } = cook.forecast.verdict;
  const turns = cook.actual.turns ?? [];
  const now = minute === null ? null : Math.max(0, minute);
  return (
    <Frame ref={ref}>
      {width > 0 ? (
        <svg
          width={width}
          height={150}
          role="img"
          aria-label={`${faces.join(' and ')}: forecast colours over ${Math.round(end)} minutes`}
        >
          {fromMin != null && fromMin < end ? (
            <rect
              x={x(fromMin)}
              y={8}
              width={Math.max(3, x(Math.min(end, toMin ?? end)) - x(fromMin))}
              height={108}
              rx={6}
              fill="var(--lemon)"
              opacity={0.28}
            />
          ) : null}
          <Strip id={`${id}a`} timeline={line} face={0} x={x} y={26} height={34} />
          <Strip id={`${id}b`} timeline={line} face={1} x={x} y={72} height={34} />
          {now !== null ? (
            <rect
              x={x(now)}
              y={22}
              width={Math.max(0, width - x(now))}
              height={88}
              fill="var(--paper)"
              opacity={0.42}
            />
          ) : null}
          {turns.map((t, i) => (
            <g key={i}>
              <line
                x1={x(t.atMin)}
                x2={x(t.atMin)}
                y1={6}
                y2={118}
                stroke="var(--ink)"
                strokeWidth={2}
                strokeDasharray="2 4"
              />
              <text x={x(t.atMin) + 6} y={19} fontWeight={600}>
                {turnWord(t.kind).toLowerCase()}
              </text>
            </g>
          ))}
          {fromMin != null && fromMin < end * 0.94 && !turns.some((t) => Math.abs(x(t.atMin) - x(fromMin)) < 56) ? (
            <text x={x(fromMin) + 6} y={19} fontWeight={600}>
              ready
            </text>
          ) : null}
          {now !== null ? <rect x={x(now) - 2.5} y={4} width={5} height={116} rx={2} fill="var(--lemon)" /> : null}
          {minuteTicks(end, width * 0.5).map((m) => (
            <text
              key={m}
              x={Math.min(width - 12, Math.max(6, x(m)))}
              y={141}
              textAnchor="middle"
              style={{ fill: 'var(--quiet)' }}
            >
              {m}
            </text>
          ))}
        </svg>
      ) : null}
    </Frame>
  );
}
