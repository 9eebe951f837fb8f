import { line } from 'd3-shape';
import type { Simulation } from '../api/client';
import { between, type RaceScale } from './scale';
import { Strip } from './Strip';

/** Another lot in the same basket. */
export interface Beside {
  name: string;
  timeline: Simulation['timeline'];
}

interface Props {
  lots: Beside[];
  scale: RaceScale;
}

/** The insides of the other lots, each by its name, on the far side of the one in front. */
export function BesideLines({ lots, front, scale: { x, y } }: Props & { front: Simulation['timeline'] }) {
  return lots.map(({ name, timeline }, k) => {
    const path = line<Simulation['timeline'][number]>(
      (m) => x(m.minute),
      (m) => y(m.coreC),
    )(timeline);
    const first = timeline[0]?.minute ?? 0;
    const span = (timeline.at(-1)?.minute ?? 0) - first;
    const at = first + span * (0.5 + 0.15 * (k % 3)); // names stand apart
    const coreC = between(timeline, at, (m) => m.coreC);
    const over = coreC > between(front, at, (m) => m.coreC);
    return (
      <g key={k}>
        <path d={path ?? ''} fill="none" stroke="var(--core)" strokeWidth={2.4} opacity={0.5} />
        <text
          x={x(at)}
          y={y(coreC) + (over ? -10 : 20)}
          textAnchor="middle"
          style={{ fill: 'var(--core)', fontWeight: 600, fontSize: 13 }}
        >
          {name}
        </text>
      </g>
    );
  });
}

/** The faces of the other lots, a strip each, one above the other. */
export function BesideStrips({ id, lots, scale: s }: Props & { id: string }) {
  return lots.map(({ name, timeline }, k) => {
    const y = s.beside[k] ?? 0;
    const half = s.besideStrip / 2;
    return (
      <g key={k}>
        <text x={s.begin} y={y - 5} style={{ fontWeight: 600, fontSize: 13 }}>
          {name}
        </text>
        <Strip id={`${id}b${k}up`} timeline={timeline} face={0} x={s.x} y={y} height={half} square />
        <Strip id={`${id}b${k}down`} timeline={timeline} face={1} x={s.x} y={y + half} height={half} square />
      </g>
    );
  });
}
