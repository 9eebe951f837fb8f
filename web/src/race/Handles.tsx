import type { ReactNode } from 'react';
import { heated, waits } from '../format/stage';
import { minutes, type Units } from '../format/units';
import { Pop } from '../ui/Pop';
import { Checked, Flag, Grip, Handle, Join, Out, Resting, Wished } from './handle';
import { FLAG_ROW, flagRows, type raceScale } from './scale';
import { LotFlags, type Edge } from './LotFlags';
import { move } from './move';
import { useDrag } from './useDrag';
import type { Run } from '../ui/history';

export interface StageLike {
  airC: number;
  minutes: number;
  rest?: boolean | undefined;
  grill?: boolean | undefined;
  fan?: boolean | undefined;
  fryerId?: string | undefined;
  fryerName?: string | undefined;
}

export interface TurnLike {
  atMin: number;
  kind: string;
}

export interface RaceEdit {
  /** Moves a stage's temperature by steps of the dial, or its length by minutes. */
  stage: (index: number, steps: number, minutes: number) => void;
  removeStage: (index: number) => void;
  turn: (index: number, minutes: number) => void;
  removeTurn: (index: number) => void;
  stageBody: (index: number) => ReactNode;
  turnBody: (index: number) => ReactNode;
  /** Drags: to where the hand is, which snaps to what the fryer can do. */
  dragAir: (drag: Run, index: number, airC: number) => void;
  dragLength: (drag: Run, index: number, minutes: number) => void;
  dragJoin: (drag: Run, index: number, minute: number) => void;
  dragTurn: (drag: Run, index: number, minute: number) => void;
  /** When a lot goes in or comes out; undefined is with the others. */
  edge: (run: Run, edge: Edge, minute: number | undefined) => void;
  lotBody: (lot: number) => ReactNode;
}

const words: Record<string, string> = { shake: 'Shake', check: 'Check', brush: 'Brush', out: 'Out', in: 'In' };
export const turnWord = (kind: string) => words[kind] ?? 'Turn';

interface Props {
  stages: StageLike[];
  turns: TurnLike[];
  edges: Edge[];
  scale: ReturnType<typeof raceScale>;
  compact: boolean;
  units: Units;
  probe: number | null;
  /** It is tried, not probed. */
  tried: boolean;
  programEnd: number;
  edit: RaceEdit;
  /** The drawing keeps its measure while something is dragged. */
  hold: (on: boolean) => void;
}

/** When there is first something to find: to probe, or to try where nothing is raw. */
function WhenToTry({
  probe,
  tried,
  left,
  top,
  room,
}: {
  probe: number;
  tried: boolean;
  left: number;
  top: number;
  room: number;
}) {
  if (room <= 60) return null;
  return (
    <Grip role="presentation" style={{ left, top }}>
      <Wished isDisabled aria-hidden>
        {tried ? 'try' : 'probe'} {Math.max(1, Math.floor(probe))}
      </Wished>
    </Grip>
  );
}

/** What can be taken hold of in the race: shelves, joins, turns, checks and the end. */
export function Handles({
  stages,
  turns,
  edges,
  scale: s,
  compact,
  units,
  probe,
  tried,
  programEnd,
  edit,
  hold,
}: Props) {
  const { x, y } = s;
  const { grip, dragged } = useDrag();
  const mayOpen = () => !dragged.current;
  const starts = stages.map((_, i) => stages.slice(0, i).reduce((sum, st) => sum + st.minutes, 0));
  const end = () => hold(false);
  const minuteAt = (from: number, dx: number) => x.invert(x(from) + dx);

  const shelf = (i: number, st: StageLike) =>
    grip((sideways, drag) => {
      hold(true);
      return sideways
        ? (dx) => edit.dragLength(drag, i, minuteAt(st.minutes, dx))
        : (_, dy) => edit.dragAir(drag, i, y.invert(y(st.airC) + dy));
    }, end);
  const sides = (at: number, act: (drag: Run, minute: number) => void) =>
    grip((_, drag) => {
      hold(true);
      return (dx) => act(drag, minuteAt(at, dx));
    }, end);
  const last = stages.length - 1;
  const outAt = Math.min(x(programEnd), s.right - 12);
  const rows = flagRows([outAt, ...turns.map((t) => x(t.atMin)), ...edges.map((e) => x(e.atMin))]);
  const flagTop = (row = 0) => s.axis + 46 + row * FLAG_ROW;

  return (
    <>
      {stages.map((st, i) => {
        const text = waits(st)
          ? `rest · ${minutes(st.minutes)}${compact ? '' : ' min'}`
          : compact
            ? `${heated(st, `${units.toDegrees(st.airC)}°`, true)} · ${minutes(st.minutes)}`
            : `${heated(st, units.temperature(st.airC), true)} · ${minutes(st.minutes)} min`;
        const name = waits(st)
          ? `${text}, the fryer at ${units.temperature(st.airC)}`
          : `Stage ${i + 1}: ${text}${st.grill || st.fryerId ? `, ${heated(st, units.temperature(st.airC))}` : ''}`;
        const Pill = waits(st) ? Resting : Handle;
        return (
          <Grip
            key={i}
            role="presentation"
            style={{
              left: x((starts[i] ?? 0) + st.minutes / 2),
              // A short stage has its sign above the shelf, clear of its joins.
              top: y(st.airC) - (x(st.minutes) - x(0) < (compact ? 84 : 150) && stages.length > 1 ? 27 : 0),
            }}
            onPointerDownCapture={shelf(i, st)}
          >
            <Pop title={waits(st) ? 'Rest' : `Stage ${i + 1}`} body={edit.stageBody(i)} mayOpen={mayOpen}>
              <Pill
                aria-label={name}
                onKeyDown={move(
                  (up, right) => edit.stage(i, up, right),
                  () => edit.removeStage(i),
                )}
              >
                {text}
              </Pill>
            </Pop>
          </Grip>
        );
      })}
      {stages.slice(0, -1).map((st, i) => {
        const at = (starts[i] ?? 0) + st.minutes;
        const middle = (y(st.airC) + y(stages[i + 1]?.airC ?? st.airC)) / 2;
        return (
          <Grip
            key={i}
            role="presentation"
            style={{ left: x(at), top: middle }}
            onPointerDownCapture={sides(at, (drag, m) => edit.dragJoin(drag, i, m))}
          >
            <Join
              aria-label={`Stage ${i + 2} begins at minute ${minutes(at)}`}
              onKeyDown={move(
                (up, right) => edit.dragJoin('join', i, at + right + up),
                () => edit.removeStage(i + 1),
              )}
            />
          </Grip>
        );
      })}
      {turns.map((t, i) => {
        const Mark = t.kind === 'check' ? Checked : Flag;
        return (
          <Grip
            key={i}
            role="presentation"
            style={{ left: x(t.atMin), top: flagTop(rows[i + 1]) }}
            onPointerDownCapture={sides(t.atMin, (drag, m) => edit.dragTurn(drag, i, m))}
          >
            <Pop title={turnWord(t.kind)} body={edit.turnBody(i)} mayOpen={mayOpen}>
              <Mark
                aria-label={`${turnWord(t.kind)} ${minutes(t.atMin)} min in`}
                onKeyDown={move(
                  (up, right) => edit.turn(i, right + up),
                  () => edit.removeTurn(i),
                )}
              >
                {turnWord(t.kind).toLowerCase()} {minutes(t.atMin)}
              </Mark>
            </Pop>
          </Grip>
        );
      })}
      <LotFlags
        edges={edges}
        place={(e, k) => ({ left: x(e.atMin), top: flagTop(rows[1 + turns.length + k]) })}
        grip={(e) => sides(e.atMin, (drag, m) => edit.edge(drag, e, m))}
        mayOpen={mayOpen}
        body={edit.lotBody}
        shift={(e, m) => edit.edge(`${e.kind}${e.lot}`, e, m)}
      />
      {probe != null &&
      probe < programEnd &&
      ![...turns, ...edges].some((t) => Math.abs(x(t.atMin) - x(probe)) < 62) ? (
        <WhenToTry {...{ probe, tried }} left={x(probe)} top={s.axis + 46} room={x(programEnd) - x(probe)} />
      ) : null}
      <Grip
        role="presentation"
        style={{ left: outAt, top: flagTop(rows[0]) }}
        onPointerDownCapture={sides(programEnd, (drag, m) => edit.dragLength(drag, last, m - (starts[last] ?? 0)))}
      >
        <Out
          aria-label={`Out ${minutes(programEnd)} min in`}
          onKeyDown={move(
            (up, right) => edit.stage(last, 0, right + up),
            () => undefined,
          )}
        >
          out {minutes(programEnd)}
        </Out>
      </Grip>
    </>
  );
}
