import { area, line } from 'd3-shape';
import type { Simulation } from '../api/client';
import { waits } from '../format/stage';
import { minutes, type Units } from '../format/units';
import type { StageLike, TurnLike } from './Handles';
import { between, minuteTicks, type RaceScale } from './scale';
import { Strip } from './Strip';

/** What is drawn, and where. */
export interface Drawn {
  answer: Simulation;
  scale: RaceScale;
  /** Minutes that are shown, and that the program is long. */
  end: number;
  programEnd: number;
}

/** The time in which the load is ready. */
export function ReadyWindow({ answer, scale: s, end, pending }: Drawn & { pending?: boolean }) {
  const { fromMin, toMin } = answer.verdict;
  const to = Math.min(end, toMin ?? end);
  if (fromMin == null || to <= fromMin) return null;
  const edge = {
    y1: s.plot.top - 18,
    y2: s.axis + 12,
    stroke: 'var(--window-edge)',
    strokeDasharray: '2 4',
    strokeWidth: 1.6,
  };
  return (
    <g opacity={pending ? 0.55 : 1}>
      <rect
        x={s.x(fromMin)}
        y={s.plot.top - 18}
        width={s.x(to) - s.x(fromMin)}
        height={s.axis - s.plot.top + 30}
        fill="var(--lemon)"
        opacity={0.32}
      />
      <line x1={s.x(fromMin)} x2={s.x(fromMin)} {...edge} />
      {toMin != null && toMin <= end ? <line x1={s.x(to)} x2={s.x(to)} {...edge} /> : null}
    </g>
  );
}

/** The time before a drawer's food goes in, while the other one runs. */
export function GoesInLater({ from, scale: { x, plot, axis } }: { from: number; scale: RaceScale }) {
  const room = x(0) - x(from);
  return (
    <g>
      <rect x={x(from)} y={plot.top} width={room} height={plot.bottom - plot.top} fill="var(--surface)" opacity={0.7} />
      <line x1={x(0)} x2={x(0)} y1={plot.top - 6} y2={axis + 12} stroke="var(--ink)" strokeWidth={2} />
      <text x={x(from) + room / 2} y={plot.bottom - 12} textAnchor="middle" style={{ fontSize: 13 }}>
        {room > 110 ? `in ${minutes(-from)} min later` : `+${minutes(-from)}`}
      </text>
    </g>
  );
}

/** What comes after the program, the air, and the band in which insides lie. */
export function AirAndBand({
  answer,
  scale: s,
  end,
  programEnd,
  maxC,
  pending,
}: Drawn & { maxC: number; pending?: boolean }) {
  const { x, y } = s;
  const air = line<Simulation['timeline'][number]>(
    (m) => x(m.minute),
    (m) => y(Math.min(m.airC, maxC)),
  )(answer.timeline);
  const band = answer.chance
    ? area<{ minute: number; lowC: number; highC: number }>(
        (b) => x(b.minute),
        (b) => y(b.lowC),
        (b) => y(b.highC),
      )(answer.chance.core)
    : '';
  return (
    <>
      {end > programEnd ? (
        <rect
          x={x(programEnd)}
          y={s.plot.top}
          width={x(end) - x(programEnd)}
          height={s.plot.bottom - s.plot.top}
          fill="var(--surface)"
          opacity={0.6}
        />
      ) : null}
      <path d={air ?? ''} fill="none" stroke="var(--heat)" strokeWidth={1.4} strokeDasharray="2 3" />
      <path d={band ?? ''} fill="var(--core)" opacity={pending ? 0.1 : 0.2} />
    </>
  );
}

/** The rule that the inside has to meet. */
export function RuleLine({ answer, scale: s, units }: Pick<Drawn, 'answer' | 'scale'> & { units: Units }) {
  const { coreC, inside, holdMin } = answer.rule;
  return (
    <>
      <line x1={s.left} x2={s.right} y1={s.y(coreC)} y2={s.y(coreC)} stroke="var(--safe)" strokeWidth={1.6} />
      <text x={s.begin + 6} y={s.y(coreC) - 6} style={{ fill: 'var(--safe)', fontWeight: 600, fontSize: 13 }}>
        {inside} inside · {units.temperature(coreC)}
        {holdMin > 0 ? ` for ${holdMin} min` : ''}
      </text>
    </>
  );
}

/** The stages as they are dialled. */
export function StageLines({ stages, scale: { x, y } }: { stages: StageLike[]; scale: RaceScale }) {
  return stages.map((st, i) => {
    const start = stages.slice(0, i).reduce((sum, before) => sum + before.minutes, 0);
    return (
      <g key={i} stroke="var(--heat)" strokeWidth={3} strokeLinecap="round">
        <line
          strokeDasharray={waits(st) ? '2 7' : undefined}
          x1={x(start)}
          x2={x(start + st.minutes)}
          y1={y(st.airC)}
          y2={y(st.airC)}
        />
        {i > 0 ? <line x1={x(start)} x2={x(start)} y1={y(stages[i - 1]?.airC ?? st.airC)} y2={y(st.airC)} /> : null}
      </g>
    );
  });
}

/** The coldest spot, and where it is safe. */
export function InsideLine({ answer, scale: { x, y }, end, named }: Omit<Drawn, 'programEnd'> & { named: boolean }) {
  const core = line<Simulation['timeline'][number]>(
    (m) => x(m.minute),
    (m) => y(m.coreC),
  )(answer.timeline);
  return (
    <>
      <path d={core ?? ''} fill="none" stroke="var(--core)" strokeWidth={3} />
      {answer.safeAtMin != null ? (
        <circle
          cx={x(answer.safeAtMin)}
          cy={y(between(answer.timeline, answer.safeAtMin, (m) => m.coreC))}
          r={6}
          fill="var(--surface)"
          stroke="var(--core)"
          strokeWidth={3}
        />
      ) : null}
      {named ? (
        <text
          x={x(end * 0.3)}
          y={y(between(answer.timeline, end * 0.3, (m) => m.coreC)) + 30}
          style={{
            fill: 'var(--core)',
            fontWeight: 600,
            fontSize: 13,
            stroke: 'var(--surface)',
            strokeWidth: 4,
            paintOrder: 'stroke',
          }}
        >
          {answer.piece.spots
            ? `the colder of ${answer.piece.spots.join(' and ')}`
            : answer.piece.boneShare > 0
              ? 'coldest spot by the bone'
              : 'coldest spot inside'}
        </text>
      ) : null}
    </>
  );
}

/** How the second face lies, by how the pieces are turned. */
const secondFace = (turns: TurnLike[]) =>
  turns.some((t) => t.kind === 'flip')
    ? 'up after the turn'
    : turns.some((t) => t.kind === 'shake')
      ? 'shaken with the rest'
      : 'down all along';

/** Both faces as they brown. */
export function FaceStrips({
  id,
  answer,
  faces,
  turns,
  scale: s,
}: {
  id: string;
  answer: Simulation;
  faces: string[];
  turns: TurnLike[];
  scale: RaceScale;
}) {
  return faces.map((name, i) => (
    <g key={name}>
      <text x={s.begin} y={(s.strips[i] ?? 0) - 6} style={{ fontWeight: 600, fontSize: 13 }}>
        {name}, {i === 0 ? 'starts up' : secondFace(turns)}
      </text>
      <Strip
        id={`${id}${i}`}
        timeline={answer.timeline}
        face={i === 0 ? 0 : 1}
        x={s.x}
        y={s.strips[i] ?? 0}
        height={s.strip}
      />
    </g>
  ));
}

/** The minutes, with a mark for each turn and one for the end. */
export function MinuteAxis({ turns, scale: s, end, programEnd }: Omit<Drawn, 'answer'> & { turns: TurnLike[] }) {
  const mark = { y1: s.plot.top - 6, y2: s.axis + 36 };
  return (
    <>
      <line x1={s.left} x2={s.right} y1={s.axis} y2={s.axis} stroke="var(--ink)" strokeWidth={1.6} />
      {minuteTicks(end, s.right - s.x(0)).map((m) => (
        <g key={m}>
          <line x1={s.x(m)} x2={s.x(m)} y1={s.axis} y2={s.axis + 6} stroke="var(--ink)" strokeWidth={1.4} />
          <text x={s.x(m)} y={s.axis + 21} textAnchor="middle" style={{ fill: 'var(--quiet)' }}>
            {m}
          </text>
        </g>
      ))}
      {turns.map((t, i) => (
        <line key={i} x1={s.x(t.atMin)} x2={s.x(t.atMin)} {...mark} stroke="var(--ink)" strokeWidth={1.5} />
      ))}
      <line x1={s.x(programEnd)} x2={s.x(programEnd)} {...mark} stroke="var(--heat)" strokeWidth={2} />
    </>
  );
}
