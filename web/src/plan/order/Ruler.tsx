import type { Units } from '../../format/units';

const PX_PER_MM = 96 / 25.4;

/** A piece's thickness beside a ruler, as large as life on most screens. */
export function Ruler({ mm, units }: { mm: number; units: Units }) {
  const inches = units.length.unit === 'in';
  // A small mark, marks to a middle and to a numbered one, and what that counts.
  const [mark, middle, numbered, long] = inches ? [25.4 / 8, 4, 8, 1] : [1, 5, 10, 1];
  const marks = Math.ceil(Math.max(60, mm) / mark / numbered) * numbered;
  const x = (k: number) => 2 + k * mark * PX_PER_MM;
  return (
    <svg width="100%" viewBox={`0 0 ${x(marks) + 8} 52`} role="img" aria-label={`${units.length.words(mm)} on a ruler`}>
      <rect x={2} y={2} width={mm * PX_PER_MM} height={20} rx={9} fill="var(--lemon-wash)" stroke="var(--ink)" />
      {Array.from({ length: marks + 1 }, (_, k) => (
        <line
          key={k}
          x1={x(k)}
          x2={x(k)}
          y1={26}
          y2={k % numbered === 0 ? 37 : k % middle === 0 ? 34 : 31}
          stroke="var(--ink)"
          strokeWidth={k % numbered === 0 ? 1.4 : 0.8}
        />
      ))}
      {Array.from({ length: marks / numbered + 1 }, (_, k) => (
        <text
          key={k}
          x={x(k * numbered)}
          y={50}
          fontSize={12}
          textAnchor={k === 0 ? 'start' : 'middle'}
          fill="var(--quiet)"
        >
          {k * long} {k === 0 ? (inches ? 'in' : 'cm') : ''}
        </text>
      ))}
    </svg>
  );
}
