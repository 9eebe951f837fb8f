import { scaleLinear } from 'd3-scale';
import type { Schemas } from '../api/client';
import { at } from '../supper/time';

export type Task = Schemas['SheetTask'];

const MINUTE = 60_000;
/** Tasks that begin this close to each other stand at one place. */
const TOGETHER_MIN = 4;

/** What a task is of: its station, and the place of its lot. */
export function ofTask(task: Task, plan: string): { kind: string; lot: number } {
  const [kind = '', lot = '1'] = task.id
    .slice(plan.length + 1)
    .replace(/\/wait$/, '')
    .split('-');
  return { kind, lot: Number(lot) - 1 };
}

/** One place on the counter: what is done there, all that begins at about one time. */
export interface Stop {
  t: number;
  tasks: Task[];
}

export interface Counter {
  stops: Stop[];
  waits: Task[];
  x: (t: number) => number;
  width: number;
  basket: number;
  table: number;
}

/** The bench's tasks on an axis of time that is long where much is done, and short where things wait. */
export function counterOf(all: Task[], plan: string, serveAt: string, wide: number): Counter | null {
  const mine = all.filter((t) => t.id.startsWith(plan));
  const load = mine.find((t) => t.kind === 'load');
  if (!load) return null;
  const done = mine.filter((t) => t.kind === 'bench');
  const waits = mine.filter((t) => t.kind === 'wait' && at(t.end) <= at(load.start) + MINUTE);
  const stops: Stop[] = [];
  for (const task of [...done].sort((a, b) => at(a.start) - at(b.start))) {
    const last = stops.at(-1);
    if (last && at(task.start) - last.t <= TOGETHER_MIN * MINUTE) last.tasks.push(task);
    else stops.push({ t: at(task.start), tasks: [task] });
  }
  const basket = at(load.start);
  const table = at(serveAt);
  const times = [...stops.map((s) => s.t), basket, table].filter((t, k, list) => k === 0 || t > (list[k - 1] ?? 0));
  const steps = times.map((t, k) => (k === 0 ? 0 : Math.max(1.6, Math.log2(1 + (t - (times[k - 1] ?? t)) / MINUTE))));
  const long = steps.reduce((a, b) => a + b, 0);
  const width = Math.max(wide, times.length * 104);
  const left = 62;
  let so = 0;
  const places = steps.map((s) => {
    so += s;
    return left + ((width - left - 58) * so) / Math.max(1, long);
  });
  return { stops, waits, x: scaleLinear(times, places), width, basket, table };
}
