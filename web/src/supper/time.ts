import { scaleLinear } from 'd3-scale';

const MINUTE = 60_000;

export const at = (iso: string) => Date.parse(iso);
export const hhmm = (iso: string | number) =>
  new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
export const dayOf = (iso: string) =>
  new Date(iso).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });

/** An instant for a field of date and time in the kitchen's own zone. */
export function toField(iso: string): string {
  const d = new Date(iso);
  return new Date(d.getTime() - d.getTimezoneOffset() * MINUTE).toISOString().slice(0, 16);
}

/** And back, with the zone's offset in it, so that the sheet can word its moments. */
export function fromField(text: string): string {
  const d = new Date(text);
  const off = -d.getTimezoneOffset();
  const sign = off < 0 ? '-' : '+';
  const two = (n: number) => String(Math.floor(Math.abs(n))).padStart(2, '0');
  return `${text.slice(0, 16)}:00${off === 0 ? 'Z' : `${sign}${two(off / 60)}:${two(off % 60)}`}`;
}

/** Hours that are only waited through stand close together: the last ones before the table have the room. */
const NEAR = 150 * MINUTE;

/** Where a moment stands, in pixels, and the other way. */
export function timeScale(start: number, table: number, left: number, right: number) {
  const from = start - 4 * MINUTE;
  const near = table - NEAR;
  if (near <= from + 20 * MINUTE) return { x: scaleLinear([from, table], [left, right]), from, folds: null };
  const fold = left + (right - left) * 0.24;
  return { x: scaleLinear([from, near, table], [left, fold, right]), from, folds: near };
}

/** Whole ten or twenty minutes near the table, whole hours before. */
export function ticks(scale: ReturnType<typeof timeScale>, table: number, width: number): number[] {
  const { x, from, folds } = scale;
  const out: number[] = [];
  const step =
    ((x(table) - x(table - 60 * MINUTE)) / 6 > 58 ? 10 : (x(table) - x(table - 60 * MINUTE)) / 3 > 52 ? 20 : 30) *
    MINUTE;
  const near = folds ?? from;
  for (let t = Math.ceil(near / step) * step; t <= table; t += step) out.push(t);
  if (folds !== null) {
    const hours = Math.max(
      1,
      Math.ceil((folds - from) / (60 * MINUTE) / Math.max(1, Math.floor((x(folds) - x(from)) / 60))),
    );
    for (let t = Math.ceil(from / (60 * MINUTE)) * 60 * MINUTE; t < near - 20 * MINUTE; t += hours * 60 * MINUTE)
      out.push(t);
  }
  return out.filter((t) => x(t) < width && Math.abs(x(t) - x(table)) > 40).sort((a, b) => a - b);
}
