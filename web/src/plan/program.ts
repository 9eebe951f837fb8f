import type { Fryer, PlanInput } from '../api/client';

type Program = PlanInput['program'];
type Dial = Fryer['dial'];

const clamp = (v: number, lo: number, hi: number) => Math.min(hi, Math.max(lo, v));
const half = (v: number) => Math.round(v * 2) / 2;

export const totalOf = (p: Program) => p.stages.reduce((sum, s) => sum + s.minutes, 0);
export const turnsOf = (p: Program) => p.turns ?? [];

/** Keeps turns inside the program, and rests between two stages. A turn keeps its place in the list, whatever it passes. */
function settle(p: Program): Program {
  const total = totalOf(p);
  return {
    ...p,
    stages: p.stages.map((s, i) =>
      s.rest && (i === 0 || i === p.stages.length - 1) ? { airC: s.airC, minutes: s.minutes } : s,
    ),
    turns: turnsOf(p).map((t) => ({ ...t, atMin: clamp(t.atMin, 0.5, total - 0.5) })),
  };
}

export function setStage(p: Program, i: number, change: Partial<Program['stages'][number]>): Program {
  return settle({
    ...p,
    stages: p.stages.map((s, k) =>
      k === i ? { ...s, ...change, minutes: Math.max(1, half(change.minutes ?? s.minutes)) } : s,
    ),
  });
}

/** Moves the join between a stage and the next to a minute. */
export function setJoin(p: Program, i: number, minute: number): Program {
  const a = p.stages[i];
  const b = p.stages[i + 1];
  if (!a || !b) return p;
  const start = p.stages.slice(0, i).reduce((sum, s) => sum + s.minutes, 0);
  const both = a.minutes + b.minutes;
  const first = clamp(Math.round(minute - start), 1, both - 1);
  return settle({
    ...p,
    stages: p.stages.map((s, k) =>
      k === i ? { ...s, minutes: first } : k === i + 1 ? { ...s, minutes: both - first } : s,
    ),
  });
}

/** The nearest temperature that the fryer's dial has. */
export const onDial = (airC: number, dial: Dial) =>
  clamp(dial.minC + Math.round((airC - dial.minC) / dial.stepC) * dial.stepC, dial.minC, dial.maxC);

/** Moves a stage by steps of the fryer's own dial. */
export function nudgeStage(p: Program, i: number, dial: Dial, steps: number, minutes: number): Program {
  const s = p.stages[i];
  if (!s) return p;
  const snapped = Math.round(s.airC / dial.stepC) * dial.stepC;
  const airC = steps === 0 ? s.airC : clamp(snapped + steps * dial.stepC, dial.minC, dial.maxC);
  return setStage(p, i, { airC, minutes: s.minutes + minutes });
}

/** Splits a stage in two halves, the second a step hotter. */
export function splitStage(p: Program, i: number, dial: Dial): Program {
  const s = p.stages[i];
  if (!s || s.minutes < 2) return p;
  const first = half(s.minutes / 2);
  const hotter = clamp(s.airC + dial.stepC * 2, dial.minC, dial.maxC);
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
export function removeStage(p: Program, i: number): Program {
  const gone = p.stages[i];
  if (!gone || p.stages.length === 1) return p;
  const heir = i === 0 ? 1 : i - 1;
  return settle({
    ...p,
    stages: p.stages
      .map((s, k) => (k === heir ? { ...s, minutes: s.minutes + gone.minutes } : s))
      .filter((_, k) => k !== i),
  });
}

type Turn = NonNullable<Program['turns']>[number];

export function setTurn(p: Program, i: number, change: Partial<Turn>): Program {
  return settle({
    ...p,
    turns: turnsOf(p).map((t, k) => (k === i ? { ...t, ...change, atMin: half(change.atMin ?? t.atMin) } : t)),
  });
}

/** What a brush begins with: a thin film of something sweet, late. */
export const firstBrush: NonNullable<Turn['brush']> = { parts: [{ ingredient: 'barbecue', share: 1 }], g: 15 };

/** Adds a brush where sugar has time to dry and none to burn. */
export const addBrush = (p: Program): Program =>
  settle({
    ...p,
    turns: [...turnsOf(p), { atMin: half(Math.max(1, totalOf(p) - 5)), kind: 'brush', brush: firstBrush }],
  });

/** Adds a turn in the widest gap. */
export function addTurn(p: Program, kind: string): Program {
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
  return settle({ ...p, turns: [...turnsOf(p), { atMin: half(at), kind }] });
}

/** Whether two programs run the food alike; heating the empty fryer apart. */
export const alike = (a: Program, b: Program) =>
  JSON.stringify([
    a.stages.map((s) => [s.airC, s.minutes, s.rest ?? false]),
    turnsOf(a).map((t) => [t.atMin, t.kind, t.brush]),
  ]) ===
  JSON.stringify([
    b.stages.map((s) => [s.airC, s.minutes, s.rest ?? false]),
    turnsOf(b).map((t) => [t.atMin, t.kind, t.brush]),
  ]);

export const removeTurn = (p: Program, i: number): Program => ({ ...p, turns: turnsOf(p).filter((_, k) => k !== i) });

/** Another program for the same dish: what is brushed on and who is taken out stay, inside its time. */
export const withExtras = (next: Program, now: Program): Program =>
  settle({
    ...next,
    preheatMin: now.preheatMin ?? 0,
    turns: [...turnsOf(next), ...turnsOf(now).filter((t) => t.kind === 'brush' || t.kind === 'out')],
  });
