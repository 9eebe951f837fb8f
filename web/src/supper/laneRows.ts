import { at } from './time';
import type { Sheet, SheetTask } from './useSupper';

export interface Lane {
  id: string;
  name: string;
  tasks: SheetTask[];
  hands?: boolean;
}

/** How high a row is, px: of what stands in a place, and of what hands do. */
const PLACE_ROW = 34;
export const HANDS_ROW = 32;
/** How wide a picture of what hands do is, and how wide a lane's name is as a line of its own. */
export const TOKEN = 26;
const NAME_HIGH = 20;

/**
 * How a task is drawn on its lane: as long as it is, as a picture where it is short, or as a mere mark where hands
 * have its picture.
 */
export function drawnAs(t: SheetTask, l: Lane, x: (ms: number) => number): 'bar' | 'picture' | 'mark' {
  if (l.hands) return 'picture';
  if (x(at(t.end)) - x(at(t.start)) - 1 >= TOKEN) return 'bar';
  return t.who ? 'mark' : 'picture';
}

export interface PlacedLane extends Lane {
  /** In which row each task stands, so that none covers another. */
  rows: number[];
  rowHigh: number;
  top: number;
}

/**
 * Places and hands of a sheet as lanes, and how high all are, px; other fryers of the household may stand beside.
 * Where there is little width the lanes' names stand over them.
 */
export function laneRows(
  sheet: Sheet,
  alone: boolean,
  compact: boolean,
  x: (ms: number) => number,
): { lanes: PlacedLane[]; high: number } {
  const fryers = sheet.fryers ?? [];
  const on = (place: string) => sheet.tasks.filter((t) => t.place === place && t.kind !== 'load' && t.kind !== 'out');
  const lanes: Lane[] = [
    { id: 'fridge', name: 'Fridge', tasks: on('fridge') },
    { id: 'board', name: 'Board', tasks: on('board') },
    ...fryers
      .map((f) => ({ id: f.id, name: !alone || compact ? f.name : 'Fryer', tasks: on(f.id) }))
      .filter((l) => l.tasks.length > 0),
    {
      id: 'oven',
      name: 'Oven, warm',
      tasks: [...on('oven'), ...sheet.tasks.filter((t) => t.kind === 'hold' && t.place === 'none')],
    },
    { id: 'hob', name: 'Hob', tasks: on('hob') },
  ].filter((l) => l.tasks.length > 0);
  const most = Math.max(1, ...sheet.tasks.map((t) => t.who ?? 0));
  for (let who = 1; who <= most; who++)
    lanes.push({
      id: `hands${who}`,
      name: most > 1 ? `Hands ${who}` : 'Hands',
      tasks: sheet.tasks.filter((t) => t.who === who),
      hands: true,
    });
  let top = 34;
  const placed = lanes.map((l) => {
    const ends: number[] = [];
    const rows = l.tasks.map((t) => {
      const from = x(at(t.start));
      let row = ends.findIndex((end) => end <= from);
      if (row === -1) row = ends.length;
      ends[row] = drawnAs(t, l, x) === 'picture' ? from + TOKEN + 2 : x(at(t.end));
      return row;
    });
    if (compact) top += NAME_HIGH;
    const rowHigh = l.hands ? HANDS_ROW : PLACE_ROW;
    const here = { ...l, rows, rowHigh, top };
    top += rowHigh * Math.max(1, ends.length) + 16;
    return here;
  });
  return { lanes: placed, high: top };
}

/** What a task is called where there is little room; names are those of the dishes. */
export function shortly(t: SheetTask, sheet: Sheet, names: Record<string, string>): string {
  const dish = names[t.dish ?? ''] ?? '';
  if (t.kind === 'run')
    return `${dish}${t.basket && sheet.plate.filter((p) => p.dish === t.dish).length > 1 ? ` ${t.basket}` : ''}`;
  if (t.kind === 'flash') return 'flash';
  if (t.kind === 'hold') return `${dish}${t.basket ? ` ${t.basket}` : ''}`;
  return t.says;
}
