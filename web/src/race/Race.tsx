import { useId, useState, type PointerEvent } from 'react';
import styled from 'styled-components';
import type { Simulation } from '../api/client';
import { heated } from '../format/stage';
import { minutes, type Units } from '../format/units';
import { Handles, turnWord, type RaceEdit, type StageLike, type TurnLike } from './Handles';
import { Readout } from './Readout';
import { AirAxis } from './AirAxis';
import { BesideLines, BesideStrips, type Beside } from './Beside';
import {
  AirAndBand,
  FaceStrips,
  InsideLine,
  MinuteAxis,
  ReadyWindow,
  RuleLine,
  StageLines,
  GoesInLater,
} from './Drawing';
import { Labels } from './Labels';
import { flagRows, raceScale } from './scale';
import type { Edge } from './LotFlags';
import { useHeard } from './useHeard';
import { useWidth } from './useWidth';

const Frame = styled.div`
  position: relative;
  /* Larger text may be longer than the drawing; the page stays as wide as it is. */
  overflow-x: clip;
  overflow-clip-margin: 16px;
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
  /** What lies beside it, and what goes in later or comes out sooner. */
  beside?: Beside[] | undefined;
  edges?: Edge[] | undefined;
  /** The minutes that are shown at least, of the drawer's own: those of two drawers on one axis. */
  axis?: { from: number; end: number } | undefined;
}

const none: never[] = [];

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
export function Race({
  answer: given,
  stages,
  turns,
  faces,
  units,
  pending,
  blank,
  edit,
  beside = none,
  edges = none,
  axis,
}: Props) {
  const answer = blank ? nothingOf(given) : given;
  const [ref, width] = useWidth<HTMLDivElement>();
  const id = useId().replaceAll(':', '');
  const compact = width < 560;
  const programEnd = stages.reduce((sum, s) => sum + s.minutes, 0);
  const others = blank ? none : beside;
  const last = Math.max(0, ...[answer, ...others].map((a) => a.timeline.at(-1)?.minute ?? programEnd));
  // While something is dragged the axis stands still, unless it must grow.
  const [held, setHeld] = useState<number | null>(null);
  const [read, setRead] = useState<number | null>(null);
  const end = Math.max(held ?? last, programEnd, axis?.end ?? 0);
  const from = axis?.from ?? 0;
  const maxC = Math.max(215, ...stages.map((s) => s.airC + 12));
  // What comes from the freezer begins under the zero line.
  const minC = Math.min(0, ...[answer, ...others].map((a) => (a.timeline[0]?.coreC ?? 0) - 4));
  const wide = Math.max(width, 280);
  const flat = raceScale(wide, end, maxC, compact, 1, 0, from);
  const marks = [programEnd, ...turns.map((t) => t.atMin), ...edges.map((e) => e.atMin)];
  const rows = 1 + Math.max(0, ...flagRows(marks.map((m) => flat.x(m))));
  const s = raceScale(wide, end, maxC, compact, edit ? rows : 1, beside.length, from, minC < -5 ? minC : 0);
  const { x, y } = s;
  const probe = answer.chance?.lookFirstMin;
  const { verdict } = answer;
  const heard = useHeard(
    [
      ...stages.map((st) => `${heated(st, units.temperature(st.airC))} for ${minutes(st.minutes)} min`),
      ...turns.map((t) => `${turnWord(t.kind).toLowerCase()} at ${minutes(t.atMin)}`),
    ],
    verdict.ready ? `${verdict.figure} ${verdict.unit}` : verdict.says,
    !pending,
  );
  const drawn = { answer, scale: s, end, programEnd };
  const readAt = (e: PointerEvent<SVGSVGElement>) => {
    if (e.pointerType !== 'mouse' || held !== null) return;
    const m = x.invert(e.clientX - e.currentTarget.getBoundingClientRect().left);
    setRead(m >= 0 && m <= end ? m : null);
  };

  return (
    <Frame ref={ref}>
      {width > 0 ? (
        <>
          <svg
            width={width}
            height={s.height}
            role="img"
            aria-label={`Forecast. ${verdict.says} ${verdict.first}`}
            onPointerMove={readAt}
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
            <ReadyWindow {...drawn} pending={pending} />
            <AirAxis units={units} left={s.left} right={s.right} y={y} />
            <AirAndBand {...drawn} maxC={maxC} pending={pending} />
            {blank ? null : <RuleLine answer={answer} scale={s} units={units} />}
            <StageLines stages={stages} scale={s} />
            <InsideLine {...drawn} named={!blank} />
            <BesideLines lots={others} front={answer.timeline} scale={s} />
            {blank ? null : <FaceStrips id={id} answer={answer} faces={faces} turns={turns} scale={s} />}
            <BesideStrips id={id} lots={others} scale={s} />
            <MinuteAxis {...drawn} turns={[...turns, ...edges]} />
            {edit ? null : (
              <Labels
                stages={stages}
                turns={[...turns, ...edges]}
                units={units}
                scale={s}
                programEnd={programEnd}
                compact={compact}
              />
            )}
            {from < 0 ? <GoesInLater from={from} scale={s} /> : null}
            {read !== null ? (
              <line x1={x(read)} x2={x(read)} y1={s.plot.top - 6} y2={s.axis} stroke="var(--ink)" strokeWidth={1} />
            ) : null}
            {probe != null && probe < programEnd ? (
              <line
                x1={x(probe)}
                x2={x(probe)}
                y1={y(answer.rule.coreC) - 22}
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
              edges={edges}
              scale={s}
              compact={compact}
              units={units}
              probe={probe ?? null}
              tried={answer.rule.inside !== 'safe'}
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
