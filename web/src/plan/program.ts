import type { Fryer, PlanInput } from '../api/client';

type Program = PlanInput['program'];

const clamp = (v: number, lo: number, hi: number) => Math.min(hi, Math.max(lo, v));
const half = (v: number) => Math.round(v * 2) / 2;

export const totalOf = (p: Program) => p.stages.reduce((sum, s) => sum + s.minutes, 0);
export const turnsOf = (p: Program) => p.turns ?? [];

/** Keeps turns inside the program and in order. */
function settle(p: Program): Program {
  const total = totalOf(p);
  return {
    ...p,
    turns: turnsOf(p)
      .map((t) => ({ ...t, atMin: clamp(t.atMin, 0.5, total - 0.5) }))
      .sort((a, b) => a.atMin - b.atMin),
  };
}

export function setStage(p: Program, i: number, change: { airC?: number; minutes?: number }): Program {
  return settle({
    ...p,
    stages: p.stages.map((s, k) =>
      k === i ? { airC: change.airC ?? s.airC, minutes: clamp(half(change.minutes ?? s.minutes), 1, 90) } : s,
    ),
  });
}

/** Moves a stage by steps of the fryer's own dial. */
export function nudgeStage(p: Program, i: number, fryer: Fryer, steps: number, minutes: number): Program {
  const s = p.stages[i];
  if (!s) return p;
  const snapped = Math.round(s.airC / fryer.dialStepC) * fryer.dialStepC;
  const airC = steps === 0 ? s.airC : clamp(snapped + steps * fryer.dialStepC, fryer.dialMinC, fryer.dialMaxC);
  return setStage(p, i, { airC, minutes: s.minutes + minutes });
}

/** Splits a stage in two halves, the second a step hotter. */
export function splitStage(p: Program, i: number, fryer: Fryer): Program {
  const s = p.stages[i];
  if (!s || s.minutes < 2) return p;
  const first = half(s.minutes / 2);
  const hotter = clamp(s.airC + fryer.dialStepC * 2, fryer.dialMinC, fryer.dialMaxC);
  return {
    ...p,
    stages: p.stages.flatMap((st, k) =>
      k === i
        ? [
            { ...s, minutes: first },
            { airC: hotter, minutes: s.minutes - first },
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
  return {
    ...p,
    stages: p.stages
      .map((s, k) => (k === heir ? { ...s, minutes: s.minutes + gone.minutes } : s))
      .filter((_, k) => k !== i),
  };
}

export function setTurn(p: Program, i: number, change: { atMin?: number; kind?: string }): Program {
  return settle({
    ...p,
    turns: turnsOf(p).map((t, k) => (k === i ? { ...t, ...change, atMin: half(change.atMin ?? t.atMin) } : t)),
  });
}

/** Adds a turn in the widest gap. */
export function addTurn(p: Program, kind: string): Program {
  const marks = [0, ...turnsOf(p).map((t) => t.atMin), totalOf(p)];
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

export const removeTurn = (p: Program, i: number): Program => ({ ...p, turns: turnsOf(p).filter((_, k) => k !== i) });

/** The part of a plan that a warning's field names, set to its proposal. */
export function mendPlan(plan: PlanInput, field: string, value: number): PlanInput {
  const stage = /^program\.stages\[(\d+)\]\.(airC|minutes)$/.exec(field);
  if (stage) return { ...plan, program: setStage(plan.program, Number(stage[1]), { [stage[2] ?? 'minutes']: value }) };
  const turn = /^program\.turns\[(\d+)\]\.atMin$/.exec(field);
  if (turn) return { ...plan, program: setTurn(plan.program, Number(turn[1]), { atMin: value }) };
  if (field === 'load.pieces') return { ...plan, load: { ...plan.load, pieces: value } };
  if (field === 'coat.oilG') return { ...plan, coat: { ...plan.coat, oilG: value } };
  return plan;
}
