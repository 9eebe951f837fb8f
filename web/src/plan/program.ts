import type { Catalog, Fryer, PlanInput } from '../api/client';
import { within } from '../api/limits';
import { waits } from '../format/stage';

type Program = PlanInput['program'];
type Dial = Fryer['dial'];

/** By what hands move a program: the minutes and the dial that it takes, and what a brush and a split begin with. */
export interface Grain extends Pick<Catalog['usual'], 'brush' | 'brushBeforeEndMin' | 'splitSteps'> {
  minutes: { min: number; step: number };
  dial: Dial;
}

export const grainOf = (catalog: Catalog, fryer: Fryer): Grain => ({
  minutes: within(catalog, 'program.stages.minutes'),
  dial: fryer.dial,
  ...catalog.usual,
});

const clamp = (v: number, lo: number, hi: number) => Math.min(hi, Math.max(lo, v));
const whole = (v: number, { minutes: { step } }: Grain) => Math.round(v / step) * step;

export const totalOf = (p: Program) => p.stages.reduce((sum, s) => sum + s.minutes, 0);
export const turnsOf = (p: Program) => p.turns ?? [];

/** Keeps turns inside the program, and rests between two stages. A turn keeps its place in the list, whatever it passes. */
function settle(p: Program, { minutes }: Grain): Program {
  const total = totalOf(p);
  return {
    ...p,
    stages: p.stages.map((s, i) =>
      waits(s) && (i === 0 || i === p.stages.length - 1)
        ? { ...s, rest: undefined, hold: undefined, holdC: undefined }
        : s,
    ),
    turns: turnsOf(p).map((t) => ({ ...t, atMin: clamp(t.atMin, minutes.min, total - minutes.min) })),
  };
}

export function setStage(p: Program, i: number, change: Partial<Program['stages'][number]>, g: Grain): Program {
  const minutes = (s: Program['stages'][number]) => Math.max(g.minutes.min, whole(change.minutes ?? s.minutes, g));
  return settle({ ...p, stages: p.stages.map((s, k) => (k === i ? { ...s, ...change, minutes: minutes(s) } : s)) }, g);
}

/** Moves the join between a stage and the next to a minute. */
export function setJoin(p: Program, i: number, minute: number, g: Grain): Program {
  const a = p.stages[i];
  const b = p.stages[i + 1];
  if (!a || !b) return p;
  const start = p.stages.slice(0, i).reduce((sum, s) => sum + s.minutes, 0);
  const both = a.minutes + b.minutes;
  const first = clamp(Math.round(minute - start), g.minutes.min, both - g.minutes.min);
  const of = (k: number, before: number) => (k === i ? first : k === i + 1 ? both - first : before);
  return settle({ ...p, stages: p.stages.map((s, k) => ({ ...s, minutes: of(k, s.minutes) })) }, g);
}

/** The nearest heat that a fryer's dial has: its steps begin at its least. */
export const onDial = (airC: number, { minC, maxC, stepC }: Dial) =>
  clamp(minC + Math.round((airC - minC) / stepC) * stepC, minC, maxC);

/** Moves a stage by steps of the fryer's own dial. */
export function nudgeStage(p: Program, i: number, steps: number, minutes: number, g: Grain): Program {
  const s = p.stages[i];
  if (!s) return p;
  const airC = steps === 0 ? s.airC : onDial(onDial(s.airC, g.dial) + steps * g.dial.stepC, g.dial);
  return setStage(p, i, { airC, minutes: s.minutes + minutes }, g);
}

/** Whether a stage is long enough for two. */
export const maySplit = (s: Program['stages'][number] | undefined, { minutes }: Grain) =>
  s !== undefined && s.minutes >= 2 * minutes.min;

/** Splits a stage in two halves, the second hotter. */
export function splitStage(p: Program, i: number, g: Grain): Program {
  const s = p.stages[i];
  if (!s || !maySplit(s, g)) return p;
  const first = whole(s.minutes / 2, g);
  const hotter = onDial(s.airC + g.dial.stepC * g.splitSteps, g.dial);
  return {
    ...p,
    stages: p.stages.flatMap((st, k) =>
      k === i
        ? [
            { ...s, minutes: first },
            { ...s, airC: hotter, minutes: s.minutes - first },
          ]
        : [st],
    ),
  };
}

/** Takes a stage away; its minutes go to its neighbour. */
export function removeStage(p: Program, i: number, g: Grain): Program {
  const gone = p.stages[i];
  if (!gone || p.stages.length === 1) return p;
  const heir = i === 0 ? 1 : i - 1;
  const stages = p.stages.map((s, k) => (k === heir ? { ...s, minutes: s.minutes + gone.minutes } : s));
  return settle({ ...p, stages: stages.filter((_, k) => k !== i) }, g);
}

type Turn = NonNullable<Program['turns']>[number];

export function setTurn(p: Program, i: number, change: Partial<Turn>, g: Grain): Program {
  const turns = turnsOf(p).map((t, k) => (k === i ? { ...t, ...change, atMin: whole(change.atMin ?? t.atMin, g) } : t));
  return settle({ ...p, turns }, g);
}

/** Adds a brush where sugar has time to dry and none to burn. */
export function addBrush(p: Program, g: Grain): Program {
  const atMin = whole(totalOf(p) - g.brushBeforeEndMin, g);
  return settle({ ...p, turns: [...turnsOf(p), { atMin, kind: 'brush', brush: g.brush }] }, g);
}

/** Adds a turn in the widest gap. */
export function addTurn(p: Program, kind: string, g: Grain): Program {
  const marks = [0, ...turnsOf(p).map((t) => t.atMin), totalOf(p)].sort((a, b) => a - b);
  let at = totalOf(p) / 2;
  let widest = 0;
  marks.slice(1).forEach((m, k) => {
    const before = marks[k] ?? 0;
    if (m - before > widest) {
      widest = m - before;
      at = (m + before) / 2;
    }
  });
  return settle({ ...p, turns: [...turnsOf(p), { atMin: whole(at, g), kind }] }, g);
}

/** Whether two programs run the food alike; heating the empty fryer apart. */
export const alike = (a: Program, b: Program) =>
  JSON.stringify([
    a.stages.map((s) => [s.airC, s.minutes, waits(s), s.hold ?? 'rack', s.grill ?? false, s.fan ?? true, s.fryerId]),
    turnsOf(a).map((t) => [t.atMin, t.kind, t.brush, t.lots]),
  ]) ===
  JSON.stringify([
    b.stages.map((s) => [s.airC, s.minutes, waits(s), s.hold ?? 'rack', s.grill ?? false, s.fan ?? true, s.fryerId]),
    turnsOf(b).map((t) => [t.atMin, t.kind, t.brush, t.lots]),
  ]);

export const removeTurn = (p: Program, i: number): Program => ({ ...p, turns: turnsOf(p).filter((_, k) => k !== i) });

/** Another program for the same dish: what is brushed on and who is taken out stay, inside its time. */
export const withExtras = (next: Program, now: Program, g: Grain): Program =>
  settle(
    {
      ...next,
      preheatMin: now.preheatMin ?? 0,
      turns: [...turnsOf(next), ...turnsOf(now).filter((t) => ['brush', 'in', 'out'].includes(t.kind))],
    },
    g,
  );
