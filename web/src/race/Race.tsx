import { area, line } from 'd3-shape';
import { useId, useState } from 'react';
import styled from 'styled-components';
import type { Simulation } from '../api/client';
import { minutes, type Units } from '../format/units';
import { Handles, turnWord, type RaceEdit, type StageLike, type TurnLike } from './Handles';
import { Readout } from './Readout';
import { between, flagRows, minuteTicks, raceScale } from './scale';
import { AirAxis } from './AirAxis';
import { Strip } from './Strip';
import { useHeard } from './useHeard';
import { useWidth } from './useWidth';

const Frame = styled.div`
  position: relative;
  svg {
    display: block;
    overflow: visible;
  }
  text {
    font-size: 14px;
    fill: var(--ink);
    paint-order: stroke;
    stroke: var(--surface);
    stroke-width: 4px;
    stroke-linejoin: round;
  }
`;

interface Props {
  answer: Simulation;
  stages: StageLike[];
  turns: TurnLike[];
  faces: string[];
  units: Units;
  /** The window is being worked out anew. */
  pending?: boolean;
  /** The answer is of what was there before: nothing of it is drawn, only the program. */
  blank?: boolean;
  edit?: RaceEdit;
}

/** An answer of which nothing is known. */
const nothingOf = (answer: Simulation): Simulation => ({
  ...answer,
  safeAtMin: null,
  chance: undefined,
  timeline: [],
  verdict: {
    ...answer.verdict,
    standing: 'unknown',
    fromMin: null,
    toMin: null,
    ready: false,
    says: 'Working it out.',
    first: '',
  },
});

/** The inside getting safe against the outside getting crisp, on one time axis. */
export function Race({ answer: given, stages, turns, faces, units, pending, blank, edit }: Props) {
  const answer = blank ? nothingOf(given) : given;
  const [ref, width] = useWidth<HTMLDivElement>();
  const id = useId().replaceAll(':', '');
  const compact = width < 560;
  const programEnd = stages.reduce((sum, s) => sum + s.minutes, 0);
  const last = answer.timeline.at(-1)?.minute ?? programEnd;
  // While something is dragged the axis stands still, unless it must grow.
  const [held, setHeld] = useState<number | null>(null);
  const [read, setRead] = useState<number | null>(null);
  const end = Math.max(held ?? last, programEnd);
  const maxC = Math.max(215, ...stages.map((s) => s.airC + 12));
  const wide = Math.max(width, 280);
  const flat = raceScale(wide, end, maxC, compact);
  const rows = 1 + Math.max(0, ...flagRows([programEnd, ...turns.map((t) => t.atMin)].map((m) => flat.x(m))));
  const s = raceScale(wide, end, maxC, compact, edit ? rows : 1);
  const { x, y } = s;
  const starts = stages.map((_, i) => stages.slice(0, i).reduce((sum, st) => sum + st.minutes, 0));
  const { fromMin, toMin } = answer.verdict;
  const core =
    line<Simulation['timeline'][number]>(
      (m) => x(m.minute),
      (m) => y(m.coreC),
    )(answer.timeline) ?? '';
  const air =
    line<Simulation['timeline'][number]>(
      (m) => x(m.minute),
      (m) => y(Math.min(m.airC, maxC)),
    )(answer.timeline) ?? '';
  const spread = answer.chance
    ? (area<{ minute: number; lowC: number; highC: number }>(
        (b) => x(b.minute),
        (b) => y(b.lowC),
        (b) => y(b.highC),
      )(answer.chance.core) ?? '')
    : '';
  const rule = answer.rule.coreC;
  const probe = answer.chance?.lookFirstMin;
  const windowTo = Math.min(end, toMin ?? end);
  const { verdict } = answer;
  const summary = `${verdict.says} ${verdict.first}`;
  const heard = useHeard(
    [
      ...stages.map((st) => `${st.rest ? 'rest' : units.temperature(st.airC)} for ${minutes(st.minutes)} min`),
      ...turns.map((t) => `${turnWord(t.kind).toLowerCase()} at ${minutes(t.atMin)}`),
    ],
    verdict.ready ? `${verdict.figure} ${verdict.unit}` : verdict.says,
    !pending,
  );

  return (
    <Frame ref={ref}>
      {width > 0 ? (
        <>
          <svg
            width={width}
            height={s.height}
            role="img"
            aria-label={`Forecast. ${summary}`}
            onPointerMove={(e) => {
              if (e.pointerType !== 'mouse' || held !== null) return;
              const m = x.invert(e.clientX - e.currentTarget.getBoundingClientRect().left);
              setRead(m >= 0 && m <= end ? m : null);
            }}
            onPointerLeave={() => setRead(null)}
          >
            <rect
              x={s.left}
              y={s.plot.top}
              width={s.right - s.left}
              height={s.plot.bottom - s.plot.top}
              fill="var(--heat-wash)"
              opacity={0.55}
            />
            {fromMin != null && windowTo > fromMin ? (
              <g opacity={pending ? 0.55 : 1}>
                <rect
                  x={x(fromMin)}
                  y={s.plot.top - 18}
                  width={x(windowTo) - x(fromMin)}
                  height={s.axis - s.plot.top + 30}
                  fill="var(--lemon)"
                  opacity={0.32}
                />
                <line
                  x1={x(fromMin)}
                  x2={x(fromMin)}
                  y1={s.plot.top - 18}
                  y2={s.axis + 12}
                  stroke="#a8801a"
                  strokeDasharray="2 4"
                  strokeWidth={1.6}
                />
                {toMin != null && toMin <= end ? (
                  <line
                    x1={x(windowTo)}
                    x2={x(windowTo)}
                    y1={s.plot.top - 18}
                    y2={s.axis + 12}
                    stroke="#a8801a"
                    strokeDasharray="2 4"
                    strokeWidth={1.6}
                  />
                ) : null}
              </g>
            ) : null}
            <AirAxis units={units} left={s.left} right={s.right} y={y} />
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
            <path d={air} fill="none" stroke="var(--heat)" strokeWidth={1.4} strokeDasharray="2 3" />
            <path d={spread} fill="var(--core)" opacity={pending ? 0.1 : 0.2} />
            {blank ? null : (
              <>
                <line x1={s.left} x2={s.right} y1={y(rule)} y2={y(rule)} stroke="var(--safe)" strokeWidth={1.6} />
                <text x={s.left + 6} y={y(rule) - 6} style={{ fill: 'var(--safe)', fontWeight: 600, fontSize: 13 }}>
                  {answer.rule.inside} inside · {units.temperature(rule)}
                  {answer.rule.holdMin > 0 ? ` for ${answer.rule.holdMin} min` : ''}
                </text>
              </>
            )}
            {stages.map((st, i) => (
              <g key={i} stroke="var(--heat)" strokeWidth={3} strokeLinecap="round">
                <line
                  strokeDasharray={st.rest ? '2 7' : undefined}
                  x1={x(starts[i] ?? 0)}
                  x2={x((starts[i] ?? 0) + st.minutes)}
                  y1={y(st.airC)}
                  y2={y(st.airC)}
                />
                {i > 0 ? (
                  <line
                    x1={x(starts[i] ?? 0)}
                    x2={x(starts[i] ?? 0)}
                    y1={y(stages[i - 1]?.airC ?? st.airC)}
                    y2={y(st.airC)}
                  />
                ) : null}
              </g>
            ))}
            <path d={core} fill="none" stroke="var(--core)" strokeWidth={3} />
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
            {blank ? null : (
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
                {answer.piece.boneShare > 0 ? 'coldest spot by the bone' : 'coldest spot inside'}
              </text>
            )}
            {(blank ? [] : faces).map((name, i) => (
              <g key={name}>
                <text x={s.left} y={(s.strips[i] ?? 0) - 6} style={{ fontWeight: 600, fontSize: 13 }}>
                  {name},{' '}
                  {i === 0
                    ? 'starts up'
                    : turns.some((t) => t.kind === 'flip')
                      ? 'up after the turn'
                      : turns.some((t) => t.kind === 'shake')
                        ? 'shaken with the rest'
                        : 'down all along'}
                </text>
                <Strip
                  id={`${id}${i}`}
                  timeline={answer.timeline}
                  face={i === 0 ? 0 : 1}
                  x={x}
                  y={s.strips[i] ?? 0}
                  height={s.strip}
                />
              </g>
            ))}
            <line x1={s.left} x2={s.right} y1={s.axis} y2={s.axis} stroke="var(--ink)" strokeWidth={1.6} />
            {minuteTicks(end, s.right - s.left).map((m) => (
              <g key={m}>
                <line x1={x(m)} x2={x(m)} y1={s.axis} y2={s.axis + 6} stroke="var(--ink)" strokeWidth={1.4} />
                <text x={x(m)} y={s.axis + 21} textAnchor="middle" style={{ fill: 'var(--quiet)' }}>
                  {m}
                </text>
              </g>
            ))}
            {turns.map((t, i) => (
              <line
                key={i}
                x1={x(t.atMin)}
                x2={x(t.atMin)}
                y1={s.plot.top - 6}
                y2={s.axis + 36}
                stroke="var(--ink)"
                strokeWidth={1.5}
              />
            ))}
            <line
              x1={x(programEnd)}
              x2={x(programEnd)}
              y1={s.plot.top - 6}
              y2={s.axis + 36}
              stroke="var(--heat)"
              strokeWidth={2}
            />
            {edit
              ? null
              : stages.map((st, i) => (
                  <text
                    key={i}
                    x={x((starts[i] ?? 0) + st.minutes / 2)}
                    y={y(st.airC) - 8}
                    textAnchor="middle"
                    style={{ fill: 'var(--heat)', fontWeight: 600 }}
                  >
                    {st.rest ? 'rest' : units.temperature(st.airC)} · {minutes(st.minutes)}
                    {compact ? '' : ' min'}
                  </text>
                ))}
            {edit
              ? null
              : turns.map((t, i) => (
                  <text key={i} x={x(t.atMin)} y={s.axis + 52} textAnchor="middle" style={{ fontWeight: 600 }}>
                    {turnWord(t.kind).toLowerCase()} {minutes(t.atMin)}
                  </text>
                ))}
            {edit ? null : (
              <text
                x={x(programEnd)}
                y={s.axis + 52}
                textAnchor={x(programEnd) > s.right - 24 ? 'end' : 'middle'}
                style={{ fill: 'var(--heat)', fontWeight: 600 }}
              >
                out {minutes(programEnd)}
              </text>
            )}
            {read !== null ? (
              <line x1={x(read)} x2={x(read)} y1={s.plot.top - 6} y2={s.axis} stroke="var(--ink)" strokeWidth={1} />
            ) : null}
            {probe != null && probe < programEnd ? (
              <line
                x1={x(probe)}
                x2={x(probe)}
                y1={y(rule) - 22}
                y2={s.axis + 36}
                stroke="var(--quiet)"
                strokeDasharray="3 4"
              />
            ) : null}
          </svg>
          {edit ? (
            <Handles
              stages={stages}
              turns={turns}
              scale={s}
              compact={compact}
              units={units}
              probe={probe ?? null}
              programEnd={programEnd}
              edit={edit}
              hold={(on) => setHeld(on ? end : null)}
            />
          ) : null}
          {blank ? null : (
            <Readout answer={answer} faces={faces} units={units} scale={s} end={end} minute={read} read={setRead} />
          )}
        </>
      ) : null}
      <span className="quietly" role="status">
        {heard}
      </span>
    </Frame>
  );
}
