import type { Schemas } from '../api/client';
import { cssLab } from '../format/colour';

interface Props {
  id: string;
  timeline: Pick<Schemas['Outline'], 'minute' | 'faces'>[];
  face: 0 | 1;
  x: (minute: number) => number;
  y: number;
  height: number;
  /** Where the frame around it rounds the corners. */
  square?: boolean;
}

/** One face in the very colour that the model forecasts, minute by minute. */
export function Strip({ id, timeline, face, x, y, height, square }: Props) {
  const first = timeline[0];
  const last = timeline.at(-1);
  if (!first || !last) return null;
  const from = x(first.minute);
  const span = last.minute - first.minute || 1;
  const to = x(last.minute);
  return (
    <>
      <defs>
        <linearGradient id={id} x1={from} x2={to} y1="0" y2="0" gradientUnits="userSpaceOnUse">
          {timeline.map((m) => (
            <stop
              key={m.minute}
              offset={(m.minute - first.minute) / span}
              stopColor={cssLab(m.faces[face]?.lab ?? [])}
            />
          ))}
        </linearGradient>
      </defs>
      <rect x={from} y={y} width={Math.max(0, to - from)} height={height} rx={square ? 0 : 7} fill={`url(#${id})`} />
    </>
  );
}
