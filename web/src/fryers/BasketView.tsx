import styled from 'styled-components';
import type { Fryer, Simulation } from '../api/client';
import { cssLab } from '../format/colour';
import { boxOf, shapeOf } from '../ui/cutShapes';

const Drawing = styled.svg`
  display: block;
  width: 100%;
  height: auto;
  margin: 0 auto;
`;

interface Props {
  basket: Fryer['basket'];
  answer?: Simulation;
  cut?: string;
  label: string;
  /** Marks the seam of a wrap on the pieces. */
  seam?: boolean;
  /** The other kinds in it. */
  beside?: { answer: Simulation; cut: string }[];
  /** Pixels a millimetre, where baskets are to compare. */
  scale?: number;
}

/** The basket from above, to scale, with the real pieces in it. */
export function BasketView({ basket, answer, cut, label, seam, scale, beside }: Props) {
  const round = basket.shape === 'round';
  const w = round ? (basket.diameterMm ?? 0) : (basket.widthMm ?? 0);
  const d = round ? (basket.diameterMm ?? 0) : (basket.depthMm ?? 0);
  const rim = 8;
  const holes: [number, number][] = [];
  for (let x = -w / 2 + 14; x < w / 2 - 6; x += 20)
    for (let y = -d / 2 + 14; y < d / 2 - 6; y += 20) if (!round || Math.hypot(x, y) < w / 2 - 8) holes.push([x, y]);
  return (
    <Drawing
      viewBox={`${-w / 2 - rim} ${-d / 2 - rim} ${w + 2 * rim} ${d + 2 * rim}`}
      role="img"
      aria-label={label}
      style={scale ? { width: (w + 2 * rim) * scale } : undefined}
    >
      {round ? (
        <circle r={w / 2 + rim / 2} fill="var(--soft)" stroke="var(--quiet)" strokeWidth={2.5} />
      ) : (
        <rect
          x={-w / 2 - rim / 2}
          y={-d / 2 - rim / 2}
          width={w + rim}
          height={d + rim}
          rx={24}
          fill="var(--soft)"
          stroke="var(--quiet)"
          strokeWidth={2.5}
        />
      )}
      {holes.map(([x, y]) => (
        <circle key={`${x},${y}`} cx={x} cy={y} r={2} fill="var(--line)" />
      ))}
      {beside?.map((g, k) => (
        <Pieces key={k} answer={g.answer} cut={g.cut} seam={g.answer.basket?.seam ?? false} />
      ))}
      {answer && cut ? <Pieces answer={answer} cut={cut} seam={seam} /> : null}
    </Drawing>
  );
}

/** A bone's end, L*a*b*. */
const BONE = cssLab([90, 1, 10]);

interface PiecesProps {
  answer: Simulation;
  cut: string;
  seam?: boolean | undefined;
}

/** Pieces of one kind, in the colour that they will have. */
function Pieces({ answer, cut, seam }: PiecesProps) {
  const end = answer.timeline.at(-1)?.faces[0]?.lab;
  const fill = end ? cssLab(end) : 'var(--soft)';
  const edge = end ? cssLab([(end[0] ?? 60) - 22, (end[1] ?? 0) + 4, end[2] ?? 0]) : 'var(--quiet)';
  const shine = end ? cssLab([Math.min(96, (end[0] ?? 60) + 12), end[1] ?? 0, end[2] ?? 0]) : 'var(--surface)';
  const shape = shapeOf(cut);
  const [l, p] = boxOf(cut, answer.piece.lengthMm, answer.piece.widthMm);
  const line = { vectorEffect: 'non-scaling-stroke', strokeLinejoin: 'round', strokeLinecap: 'round' } as const;
  return (
    <>
      {answer.basket?.pieces.map((s, i) => (
        <g key={i} transform={`translate(${s.x} ${s.y}) rotate(${s.angle})`} opacity={s.layer > 0 ? 0.82 : 1}>
          <g transform={`scale(${l} ${p})`} stroke={edge} fill="none">
            {shape.bone ? <path d={shape.bone} fill={BONE} strokeWidth={1.4} {...line} /> : null}
            <path d={shape.body} fill={fill} fillRule="evenodd" strokeWidth={1.8} {...line} />
            {shape.lines ? <path d={shape.lines} strokeWidth={1.2} opacity={0.8} {...line} /> : null}
            {cut.endsWith('-ring') ? null : (
              <path d="M-.26-.22C-.16-.32.02-.33.16-.27" stroke={shine} strokeWidth={3} opacity={0.75} {...line} />
            )}
          </g>
          {seam ? (
            <path
              d={`M${-l * 0.3} ${-p * 0.46}L${-l * 0.12} ${p * 0.46}M${l * 0.12} ${-p * 0.46}L${l * 0.3} ${p * 0.46}`}
              stroke={edge}
              strokeWidth={1.6}
              strokeDasharray="4 3"
            />
          ) : null}
        </g>
      ))}
    </>
  );
}
