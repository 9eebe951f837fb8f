import { scaleLinear } from 'd3-scale';
import type { Simulation } from '../api/client';

/** Where everything in the race stands, in pixels. */
export function raceScale(
  width: number,
  endMin: number,
  maxC: number,
  compact: boolean,
  rows = 1,
  others = 0,
  fromMin = 0,
  minC = 0,
) {
  const left = compact ? 38 : 60;
  const right = compact ? 10 : 22;
  const plot = { top: 22, bottom: compact ? 230 : 270 };
  const strip = compact ? 22 : 26;
  const strips = [plot.bottom + 30, plot.bottom + 30 + strip + 26] as const;
  // What lies beside has a lower strip, of both faces.
  const besideStrip = 16;
  const beside = Array.from({ length: others }, (_, k) => strips[1] + strip + 26 + k * (besideStrip + 26));
  const axis = strips[1] + strip + 22 + others * (besideStrip + 26);
  const x = scaleLinear([fromMin, endMin], [left, width - right]);
  const y = scaleLinear([Math.min(0, minC), maxC], [plot.bottom, plot.top]);
  const height = axis + 66 + (rows - 1) * FLAG_ROW;
  // Where what is said of the food begins: clear of the line at which it goes in.
  const begin = fromMin < 0 ? x(0) + 6 : left;
  return { left, begin, right: width - right, plot, strip, strips, besideStrip, beside, axis, height, x, y };
}

export type RaceScale = ReturnType<typeof raceScale>;

/** How wide a flag is with its margin, and how high a row of them. */
const FLAG = 62;
export const FLAG_ROW = 40;

/** In which row each flag stands, so that none covers another: by its place, pixels. */
export function flagRows(places: number[]): number[] {
  const ends: number[] = [];
  const rows = places.map(() => 0);
  for (const i of places.map((_, k) => k).sort((a, b) => (places[a] ?? 0) - (places[b] ?? 0))) {
    const at = places[i] ?? 0;
    let row = ends.findIndex((end) => at - end >= FLAG);
    if (row === -1) row = ends.length;
    ends[row] = at;
    rows[i] = row;
  }
  return rows;
}

/** Ticks every 1, 2, 3, 5 or 10 minutes, as room allows. */
export function minuteTicks(endMin: number, width: number): number[] {
  const step = [1, 2, 3, 5, 10, 15, 20].find((s) => (width / endMin) * s > 62) ?? 30;
  return Array.from({ length: Math.floor(endMin / step) + 1 }, (_, i) => i * step);
}

/** A value of the timeline between its entries. */
export function between(
  line: Simulation['timeline'],
  minute: number,
  pick: (m: Simulation['timeline'][number]) => number,
): number {
  const after = line.findIndex((m) => m.minute >= minute);
  const b = line[after === -1 ? line.length - 1 : after];
  const a = line[Math.max(0, (after === -1 ? line.length : after) - 1)];
  if (!a || !b) return 0;
  if (b.minute === a.minute) return pick(b);
  const f = Math.min(1, Math.max(0, (minute - a.minute) / (b.minute - a.minute)));
  return pick(a) + f * (pick(b) - pick(a));
}
