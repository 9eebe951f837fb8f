import {
  getLocalTimeZone,
  parseAbsoluteToLocal,
  parseDateTime,
  parseTime,
  toCalendarDate,
  toCalendarDateTime,
  toZoned,
} from '@internationalized/date';
import { scaleLinear } from 'd3-scale';

const MINUTE = 60_000;

export const at = (iso: string) => Date.parse(iso);
export const hhmm = (iso: string | number) =>
  new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
export const dayOf = (iso: string) =>
  new Date(iso).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });

/** An instant for a field of date and time in the kitchen's own zone. */
export const toField = (iso: string) => toCalendarDateTime(parseAbsoluteToLocal(iso)).toString().slice(0, 16);

/** Whether what stands in such a field is whole. */
export const isMoment = (text: string) => /^\d{4}-\d\d-\d\dT\d\d:\d\d/.test(text);

/** And back, with the zone's offset in it, so that the sheet can word its moments. */
export const fromField = (text: string) =>
  toZoned(parseDateTime(text.slice(0, 16)), getLocalTimeZone())
    .toString()
    .replace(/\[.*\]$/, '');

/** The same time of day some days later, also over a change of the clock. */
const inDays = (iso: string, days: number) =>
  fromField(toCalendarDateTime(parseAbsoluteToLocal(iso)).add({ days }).toString());
export const inAWeek = (iso: string) => inDays(iso, 7);

interface Tables {
  serveAt: string;
  tables?: { at: string }[] | undefined;
}

/** A supper on another day or at another hour: who comes at an own hour comes at it on that day too. */
export function onTheTable<E extends Tables>(e: E, serveAt: string): E {
  const dayFrom = (iso: string) => toCalendarDate(parseAbsoluteToLocal(iso)).toDate('UTC').getTime();
  const days = Math.round((dayFrom(serveAt) - dayFrom(e.serveAt)) / (24 * 60 * MINUTE));
  return { ...e, serveAt, pins: undefined, tables: e.tables?.map((t) => ({ ...t, at: inDays(t.at, days) })) };
}

/** A supper put off or begun now: each table as long before or after the others as it was. */
export function putOff<E extends Tables>(e: E, serveAt: string): E {
  const by = at(serveAt) - at(e.serveAt);
  return {
    ...e,
    serveAt,
    pins: undefined,
    tables: e.tables?.map((t) => ({ ...t, at: fromField(toField(new Date(at(t.at) + by).toISOString())) })),
  };
}

/** The next moment of a time of day; said from another on, that of tomorrow. */
export function nextAt(time: string, tomorrowFrom: string): string {
  const now = toCalendarDateTime(parseAbsoluteToLocal(new Date().toISOString()));
  const { hour, minute } = parseTime(time);
  const late = now.hour >= parseTime(tomorrowFrom).hour;
  return fromField(
    now
      .add({ days: late ? 1 : 0 })
      .set({ hour, minute, second: 0, millisecond: 0 })
      .toString(),
  );
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

export type TimeScale = ReturnType<typeof timeScale>;

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
