import type { Cook, Schemas } from '../api/client';
import type { LiveBasket } from '../api/live';

/** One lot of food that is watched: a dish cooked alone, or a basket of a supper. */
export interface Watched {
  cookId: string;
  name: string;
  mark: string;
  /** Since when it is in; null before. */
  loadedAt: string | null;
  /** How many minutes it is in, as it stands. */
  endMin: number;
  ruleC: number;
  /** What it is inside when its rule is met: safe, or soft, hot or molten where none applies. */
  inside: string;
  soft: boolean;
  bone: boolean;
  /** In breast and thigh. */
  both: boolean;
  dialC: number;
  safeByMin: number | null;
  foreseen: Schemas['Foreseen'] | undefined;
  changed: string | undefined;
  asks: Schemas['AsksFirst'] | undefined;
  /** Whether it is shown safe; none for what has no rule. */
  shown: Schemas['Shown'] | undefined;
  /** Between which readings nothing is asked of one that is noted, °C. */
  plausibleC: number[] | undefined;
  costs: string | undefined;
  moreMin: number;
  /** How many more than planned, in words. */
  beyond: string | undefined;
  probe: Schemas['ThermometerSeen'] | undefined;
  /** The shade that was said last, from pale to dark. */
  lookedAt: number | null;
  /** What lies in it, where there are several lots. */
  lots: LotIn[];
  /** Which of them is looked at; null for all of it. */
  lot: number | null;
  /** At which minute it is still to go in; null once it is in. */
  goesInMin: number | null;
}

type LotIn = Schemas['LotIn'];

const TRIED: Partial<Record<LotIn['judged'], string>> = { bite: 'soft', heat: 'hot', melt: 'molten' };

/** What a food is inside when it is done, and where it is probed, by how it is told. */
export function judgedBy(judged: LotIn['judged']) {
  const inside = TRIED[judged] ?? 'safe';
  return { inside, soft: inside !== 'safe', bone: judged === 'bone' || judged === 'both', both: judged === 'both' };
}

/** One of several lots in it: its own inside, and what was seen of it. */
export function ofLot(w: Watched, at: number): Watched {
  const lot = w.lots[at];
  if (!lot) return w;
  return {
    ...w,
    name: `${w.name}, ${lot.name}`,
    lot: at,
    ruleC: lot.ruleC ?? w.ruleC,
    ...judgedBy(lot.judged),
    safeByMin: lot.safeByMin ?? null,
    foreseen: w.foreseen?.lots?.[at] ?? w.foreseen,
    shown: lot.shown,
    plausibleC: lot.plausibleC,
    probe: (w.probe?.lot ?? 0) === at ? w.probe : undefined,
    lookedAt: null,
    goesInMin: lot.goesInMin ?? null,
  };
}

export const ofBasket = (b: LiveBasket, usualMore: number): Watched => ({
  cookId: b.cookId,
  name: b.name,
  mark: b.mark,
  loadedAt: b.outAt ? null : (b.loadedAt ?? null),
  endMin: b.endMin,
  ruleC: b.ruleC ?? 0,
  ...judgedBy(b.judged),
  dialC: b.dialC ?? 0,
  safeByMin: b.safeByMin ?? null,
  foreseen: b.foreseen,
  changed: b.changed,
  asks: b.asks,
  shown: b.shown,
  plausibleC: b.plausibleC,
  costs: b.costs,
  moreMin: b.moreMin ?? usualMore,
  beyond: b.beyond,
  probe: b.probe,
  lookedAt: b.lookedAt ?? null,
  lots: b.lots ?? [],
  lot: null,
  goesInMin: null,
});

export function ofCook(c: Cook, usualMore: number): Watched {
  const { forecast, foreseen } = c;
  // Without its chance a forecast says no "by".
  const safe = foreseen ? foreseen.safeByMin : forecast.chance?.safeByMin;
  return {
    cookId: c.id,
    name: c.name,
    mark: c.mark ?? '',
    loadedAt: c.loadedAt ?? null,
    endMin: c.actual.stages.reduce((sum, st) => sum + st.minutes, 0),
    ruleC: forecast.rule.coreC,
    ...judgedBy(c.judged ?? 'probe'),
    dialC: c.actual.stages.at(-1)?.airC ?? 0,
    safeByMin: safe ?? null,
    foreseen,
    changed: c.changed,
    asks: c.asks,
    shown: c.shown,
    plausibleC: c.plausibleC,
    costs: undefined,
    moreMin: c.moreMin ?? usualMore,
    beyond: c.beyond,
    probe: c.probe,
    lookedAt: c.events.findLast((e) => e.kind === 'look' && !e.where)?.value ?? null,
    lots: c.lots ?? [],
    lot: null,
    goesInMin: null,
  };
}

/** Minutes since it went in; null before. */
export const minuteOf = (w: Watched, nowMs: number) =>
  w.loadedAt === null ? null : (nowMs - Date.parse(w.loadedAt)) / 60_000;
