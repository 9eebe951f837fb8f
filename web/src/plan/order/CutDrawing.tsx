import type { CutInfo } from '../../api/client';
import { cssLab } from '../../format/colour';
import { boxOf, shapeOf } from '../../ui/cutShapes';

interface Props {
  cut: CutInfo;
  /** Pixels a millimetre, so that cuts are to scale with each other. */
  scale: number;
}

/** A typical piece of a cut from above, to scale. */
export function CutDrawing({ cut, scale }: Props) {
  const s = shapeOf(cut.id);
  const [l, w] = boxOf(cut.id, cut.typicalMm.length, cut.typicalMm.width).map((mm) => mm * scale) as [number, number];
  const line = { vectorEffect: 'non-scaling-stroke', strokeLinejoin: 'round', strokeLinecap: 'round' } as const;
  return (
    <svg width={l + 4} height={w + 4} viewBox={`${-l / 2 - 2} ${-w / 2 - 2} ${l + 4} ${w + 4}`} aria-hidden>
      <g transform={`scale(${l} ${w})`} stroke="oklch(0.32 0.03 60)" fill="none">
        {s.bone ? <path d={s.bone} fill="var(--surface)" strokeWidth={1.3} {...line} /> : null}
        <path d={s.body} fill={cssLab(cut.rawLab)} fillRule="evenodd" strokeWidth={1.6} {...line} />
        {s.lines ? <path d={s.lines} strokeWidth={1} opacity={0.75} {...line} /> : null}
      </g>
    </svg>
  );
}
