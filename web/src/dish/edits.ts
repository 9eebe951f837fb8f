import type { Catalog, Lot, PlanInput, Schemas } from '../api/client';
import { limitOf } from '../api/limits';
import { totalOf } from '../plan/program';

type Bench = Schemas['Bench'];
type Load = Lot['load'];
type Coat = NonNullable<Lot['coat']>;

/** What of the catalog an edit needs. */
interface Figures extends Pick<Catalog, 'limits'> {
  usual: Pick<Catalog['usual'], 'oilByMass'>;
}

/** A bench on which nothing is done. */
export const bare: Bench = { drying: {}, coating: {} };

/** Changes one lot of a dish. */
export const onLot = (p: PlanInput, at: number, change: (lot: Lot) => Lot): PlanInput => ({
  ...p,
  lots: p.lots.map((lot, k) => (k === at ? change(lot) : lot)),
});

/** Changes the bench of a lot. */
export const onBench = (lot: Lot, change: (b: Bench) => Bench): Lot => ({ ...lot, bench: change(lot.bench ?? bare) });

/** Changes what comes after the basket, for all lots. */
export const afterwards = (p: PlanInput, change: (b: Bench) => Bench): PlanInput => ({ ...p, bench: change(p.bench) });

/** Pieces as they were bought; said anew, they are not cut up from a whole or into others. */
export const setLoad = (lot: Lot, load: Partial<Load>): Lot => ({ ...lot, load: { ...lot.load, ...load } });

/** Pieces of a lot, or how heavy they are; oil follows the surface that it is for. */
export function setPieces(lot: Lot, load: Partial<Load>, catalog: Figures): Lot {
  const next = setLoad(lot, load);
  const surface = (l: Load) => l.pieces * l.pieceMassG ** catalog.usual.oilByMass;
  const was = next.coat?.oilG;
  const oilG = was && Math.round(((was * surface(next.load)) / surface(lot.load)) * 10) / 10;
  const most = limitOf(catalog, 'coat.oilG').max;
  const cutting = lot.bench?.cutting;
  return {
    ...next,
    ...(oilG ? { coat: { ...next.coat, oilG: Math.min(oilG, most) } } : {}),
    ...(cutting
      ? {
          bench: {
            ...(lot.bench ?? bare),
            cutting: { ...cutting, wholeG: undefined, pieces: undefined, as: undefined },
          },
        }
      : {}),
  };
}

/** The pieces of one lot of a dish; what goes in at a time is no more than there are. */
export function setPiecesOf(p: PlanInput, at: number, load: Partial<Load>, catalog: Figures): PlanInput {
  const next = onLot(p, at, (lot) => setPieces(lot, load, catalog));
  const all = next.lots.reduce((sum, lot) => sum + lot.load.pieces, 0);
  return p.perBasket && p.perBasket >= all ? { ...next, perBasket: undefined } : next;
}

/** How dry it is; said here, it is not what the bench had. */
export const setSurface = (lot: Lot, surface: string): Lot => ({
  ...setLoad(lot, { surface, surfaceWaterG: undefined }),
  ...(lot.bench ? { bench: { ...lot.bench, drying: {} } } : {}),
});

const setCoating = (lot: Lot, coat: Partial<Coat>): Lot => ({ ...lot, coat: { ...lot.coat, ...coat } });

/** Grams of oil on all of it; said here, it is not put on as the bench had it. */
export const setOil = (lot: Lot, oilG: number): Lot => ({
  ...setCoating(lot, { oilG }),
  ...(lot.bench ? { bench: { ...lot.bench, coating: { ...lot.bench.coating, oil: undefined } } } : {}),
});

/** Sugar on the surface, percent. */
export const setSugar = (lot: Lot, sugarPct: number): Lot => setCoating(lot, { sugarPct });

/** A named coat, or bare. */
export const setCoat = (lot: Lot, id: string): Lot => setCoating(lot, { id, layers: undefined });

/** A coat by what it is made of; what was put in the place of the usual is in its layers now. */
export const setLayers = (lot: Lot, layers: Schemas['CoatLayer'][]): Lot => ({
  ...setCoating(lot, layers.length > 0 ? { id: 'made', layers } : { id: 'bare', layers: undefined }),
  ...(lot.bench
    ? {
        bench: {
          ...lot.bench,
          coating: { ...lot.bench.coating, flour: undefined, crumbs: undefined, starch: undefined },
        },
      }
    : {}),
});

/** A plan with a warning's change made. */
export function mendPlan(p: PlanInput, change: Schemas['Change'], minutes: { min: number; step: number }): PlanInput {
  const { program, surface, thicknessMm, oilG, perBasket, lot = 0 } = change;
  if (program) return setProgram(p, program, minutes);
  if (surface) return onLot(p, lot, (l) => setSurface(l, surface));
  if (thicknessMm) return onLot(p, lot, (l) => setLoad(l, { thicknessMm }));
  if (perBasket) return { ...p, perBasket };
  if (oilG) return onLot(p, lot, (l) => setOil(l, oilG));
  return p;
}

/** The dish with these lots; of several, all lie in one basket. */
const withLots = (p: PlanInput, lots: Lot[]): PlanInput => ({
  ...p,
  lots: lots.length === 1 ? lots.map((lot) => ({ ...lot, inMin: undefined, outMin: undefined })) : lots,
  ...(lots.length > 1 ? { perBasket: undefined, secondFryerId: undefined } : {}),
});

/** What turns and sauces are for, once a lot has come in at a place, or has gone from it. */
function movedTurns(p: PlanInput, to: (lot: number) => number[]): PlanInput {
  const turns = p.program.turns?.flatMap((t) => {
    if (!t.lots?.length) return [t];
    const lots = t.lots.flatMap(to);
    return lots.length > 0 ? [{ ...t, lots }] : [];
  });
  return { ...p, program: { ...p.program, ...(turns ? { turns } : {}) } };
}

/** One more lot, as the one at a place is. */
export const copyLot = (p: PlanInput, at: number): PlanInput => {
  const lot = p.lots[at];
  return lot ? withLots(p, [...p.lots, { ...lot, name: undefined }]) : p;
};

/** A little of something else beside a lot: bare pieces, to be told further. */
export const addLot = (p: PlanInput, at: number): PlanInput => {
  const lot = p.lots[at];
  if (!lot) return p;
  const { cut, pieceMassG } = lot.load;
  return withLots(p, [...p.lots, { load: { cut, pieceMassG, pieces: 1 }, coat: { id: 'bare' } }]);
};

/** So many pieces of a lot, with their share of all that was weighed out for it. */
function partOf(lot: Lot, pieces: number): Lot {
  const share = pieces / lot.load.pieces;
  const of = (g: number | undefined) => g && g * share;
  const { marinade, finish, salting, cutting } = lot.bench ?? bare;
  return {
    ...lot,
    load: { ...lot.load, pieces },
    ...(lot.coat ? { coat: { ...lot.coat, oilG: of(lot.coat.oilG) } } : {}),
    ...(lot.bench
      ? {
          bench: {
            ...lot.bench,
            ...(marinade
              ? { marinade: { ...marinade, forG: marinade.forG ?? lot.load.pieces * lot.load.pieceMassG } }
              : {}),
            ...(finish ? { finish: finish.map((item) => ({ ...item, g: item.g * share })) } : {}),
            ...(salting ? { salting: { ...salting, waterG: of(salting.waterG) } } : {}),
            ...(cutting
              ? {
                  cutting: {
                    ...cutting,
                    wholeG: of(cutting.wholeG),
                    pieces: cutting.pieces && Math.max(1, Math.round(cutting.pieces * share)),
                  },
                }
              : {}),
          },
        }
      : {}),
  };
}

/** A lot as two: the same food with two stories from here on. */
export function splitLot(p: PlanInput, at: number): PlanInput {
  const lot = p.lots[at];
  if (!lot || lot.load.pieces < 2) return p;
  const half = Math.ceil(lot.load.pieces / 2);
  const two = { ...partOf(lot, lot.load.pieces - half), name: undefined };
  const last = p.lots.length;
  return movedTurns(withLots(p, [...p.lots.map((l, k) => (k === at ? partOf(lot, half) : l)), two]), (k) =>
    k === at ? [k, last] : [k],
  );
}

/** Without a lot; turns that were for it alone go with it. */
export const dropLot = (p: PlanInput, at: number): PlanInput =>
  movedTurns(
    withLots(
      p,
      p.lots.filter((_, k) => k !== at),
    ),
    (k) => (k === at ? [] : [k > at ? k - 1 : k]),
  );

/** When a lot goes in and comes out: whole minutes of the grain, within the program; with the others where nothing is said. */
export function setInOut(
  p: PlanInput,
  at: number,
  when: { inMin?: number | undefined; outMin?: number | undefined },
  minutes: { min: number; step: number },
): PlanInput {
  const end = totalOf(p.program);
  const whole = (m: number) => Math.round(m / minutes.step) * minutes.step;
  return onLot(p, at, (lot) => {
    const next = { ...lot, ...when };
    const outMin = Math.min(end, whole(next.outMin ?? end));
    const inMin = Math.max(0, Math.min(whole(next.inMin ?? 0), Math.min(outMin, end) - minutes.min));
    const out = Math.max(outMin, inMin + minutes.min);
    return { ...next, inMin: inMin > 0 ? inMin : undefined, outMin: out < end ? out : undefined };
  });
}

/** Another program; what went in later or came out sooner stays within it. */
export function setProgram(
  p: PlanInput,
  program: PlanInput['program'],
  minutes: { min: number; step: number },
): PlanInput {
  const next = { ...p, program };
  return p.lots.reduce((now, lot, k) => (lot.inMin || lot.outMin ? setInOut(now, k, {}, minutes) : now), next);
}
