import type { CutInfo } from '../../api/client';
import { cssLab } from '../../format/colour';
import type { Units } from '../../format/units';

const WIDE = 300;
const HIGH = 92;

/** Where the ruler goes: a piece from the side, with the ruler upright at its place. */
export function SideRuler({ cut, mm, units }: { cut: CutInfo; mm: number; units: Units }) {
  const { ruler } = cut;
  if (!ruler) return null;
  const grown = mm / cut.typicalMm.thickness;
  const long = cut.typicalMm.length / Math.sqrt(grown);
  const scale = Math.min(WIDE / long, HIGH / mm, 96 / 25.4);
  const [l, h] = [long * scale, mm * scale];
  const x = ruler.at * l;
  // Flat cuts are as high all along; the others are highest where they are measured.
  const body =
    cut.form === 'ellipsoid'
      ? `M0 ${-h * 0.12}C0 ${-h * 0.7} ${x * 0.45} ${-h} ${x} ${-h}C${x + (l - x) * 0.6} ${-h} ${l} ${-h * 0.42} ${l} ${-h * 0.08}Q${l * 0.5} ${h * 0.06} 0 ${-h * 0.12}Z`
      : `M${Math.min(8, h / 3)} 0Q0 0 0 ${-h * 0.4}Q0 ${-h} ${Math.min(8, h / 3)} ${-h}L${l - Math.min(8, h / 3)} ${-h}Q${l} ${-h} ${l} ${-h * 0.6}Q${l} 0 ${l - Math.min(8, h / 3)} 0Z`;
  const step = (units.length.unit === 'in' ? 25.4 / 8 : 5) * scale;
  const marks = Math.floor(h / step) + 1;
  return (
    <svg
      width={l + 62}
      height={h + 26}
      viewBox={`-8 ${-h - 14} ${l + 62} ${h + 26}`}
      role="img"
      aria-label={`Measure it ${ruler.says}`}
      style={{ maxWidth: '100%' }}
    >
      <path d={body} fill={cssLab(cut.rawLab)} stroke="var(--ink)" strokeWidth={1.6} strokeLinejoin="round" />
      <line x1={-6} x2={l + 52} y1={1} y2={1} stroke="var(--quiet)" strokeWidth={2} />
      <g stroke="var(--core)" strokeWidth={2}>
        <line x1={x} x2={x} y1={0} y2={-h} />
        <line x1={x - 6} x2={x + 6} y1={-h} y2={-h} />
        {Array.from({ length: marks }, (_, k) => (
          <line key={k} x1={x} x2={x + 5} y1={-k * step} y2={-k * step} strokeWidth={1} />
        ))}
      </g>
      <text x={l + 6} y={-h / 2 + 5} fontSize={14} fontWeight={600} fill="var(--core)">
        {units.length.words(mm)}
      </text>
    </svg>
  );
}
