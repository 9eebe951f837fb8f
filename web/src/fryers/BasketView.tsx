import styled from 'styled-components';
import type { Fryer, Simulation } from '../api/client';
import { cssLab } from '../format/colour';

const Drawing = styled.svg`
  display: block;
  width: 100%;
  height: auto;
  margin: 0 auto;
`;

interface Props {
  basket: Fryer['basket'];
  answer?: Simulation;
  form?: string;
  label: string;
  /** Marks the skin, and the seam of a wrap, on the pieces. */
  skin?: boolean;
  seam?: boolean;
  /** The other kinds in it. */
  beside?: { answer: Simulation; form: string; skin: boolean }[];
  /** Pixels a millimetre, where baskets are to compare. */
  scale?: number;
}

/** The basket from above, to scale, with the real pieces in it. */
export function BasketView({ basket, answer, form, label, skin, seam, scale, beside }: Props) {
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
        <Pieces key={k} answer={g.answer} form={g.form} skin={g.skin} seam={g.answer.basket?.seam ?? false} />
      ))}
      {answer ? <Pieces answer={answer} form={form} skin={skin} seam={seam} /> : null}
    </Drawing>
  );
}

interface PiecesProps {
  answer: Simulation;
  form?: string | undefined;
  skin?: boolean | undefined;
  seam?: boolean | undefined;
}

/** Pieces of one kind, in the colour that they will have. */
function Pieces({ answer, form, skin, seam }: PiecesProps) {
  const end = answer.timeline.at(-1)?.faces[0]?.lab;
  const fill = end ? cssLab(end) : 'var(--soft)';
  const edge = end ? cssLab([(end[0] ?? 60) - 22, (end[1] ?? 0) + 4, end[2] ?? 0]) : 'var(--quiet)';
  const shine = end ? cssLab([Math.min(96, (end[0] ?? 60) + 12), end[1] ?? 0, end[2] ?? 0]) : 'var(--surface)';
  const l = answer.piece.lengthMm;
  const p = answer.piece.widthMm;
  return (
    <>
      {answer.basket?.pieces.map((s, i) => (
        <g key={i} transform={`translate(${s.x} ${s.y}) rotate(${s.angle})`} opacity={s.layer > 0 ? 0.82 : 1}>
          {form === 'ellipsoid' ? (
            <>
              <ellipse rx={l / 2} ry={p / 2} fill={fill} stroke={edge} strokeWidth={2} />
              <ellipse cx={-l * 0.08} cy={-p * 0.14} rx={l * 0.26} ry={p * 0.1} fill={shine} opacity={0.7} />
            </>
          ) : (
            <>
              <rect
                x={-l / 2}
                y={-p / 2}
                width={l}
                height={p}
                rx={Math.min(l, p) * (form === 'slab' ? 0.28 : 0.42)}
                fill={fill}
                stroke={edge}
                strokeWidth={2}
              />
              <rect
                x={-l * 0.32}
                y={-p * 0.26}
                width={l * 0.5}
                height={p * 0.16}
                rx={p * 0.08}
                fill={shine}
                opacity={0.6}
              />
            </>
          )}
          {skin
            ? [-0.22, 0.02, 0.26].map((f) => (
                <path
                  key={f}
                  d={`M${l * f} ${p * 0.12}q${l * 0.035} ${p * 0.09} ${l * 0.08} 0`}
                  fill="none"
                  stroke={edge}
                  strokeWidth={1.4}
                />
              ))
            : null}
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
