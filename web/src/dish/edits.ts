import type { Catalog, PlanInput, Schemas } from '../api/client';
import { limitOf } from '../api/limits';

type Bench = Schemas['Bench'];

/** What of the catalog an edit needs. */
interface Figures extends Pick<Catalog, 'limits'> {
  usual: Pick<Catalog['usual'], 'oilByMass'>;
}

/** A bench on which nothing is done. */
export const bare: Bench = { drying: {}, coating: {} };

export const onBench = (p: PlanInput, change: (b: Bench) => Bench): PlanInput => ({
  ...p,
  bench: change(p.bench ?? bare),
});

/** Pieces as they were bought; said anew, they are not cut up from a whole or into others. */
export const setLoad = (p: PlanInput, load: Partial<PlanInput['load']>): PlanInput => ({
  ...p,
  load: { ...p.load, ...load },
});

/** Pieces, or how heavy they are; oil follows the surface that it is for. */
export function setPieces(p: PlanInput, load: Partial<PlanInput['load']>, catalog: Figures): PlanInput {
  const next = setLoad(p, load);
  const { pieces } = next.load;
  const surface = (l: PlanInput['load']) => l.pieces * l.pieceMassG ** catalog.usual.oilByMass;
  const oilG = next.coat.oilG && Math.round(((next.coat.oilG * surface(next.load)) / surface(p.load)) * 10) / 10;
  const most = limitOf(catalog, 'coat.oilG').max;
  const cutting = p.bench?.cutting;
  return {
    ...next,
    ...(oilG ? { coat: { ...next.coat, oilG: Math.min(oilG, most) } } : {}),
    ...(p.perBasket && p.perBasket >= pieces ? { perBasket: undefined } : {}),
    ...(cutting
      ? {
          bench: { ...(p.bench ?? bare), cutting: { ...cutting, wholeG: undefined, pieces: undefined, as: undefined } },
        }
      : {}),
  };
}

/** How dry it is; said here, it is not what the bench had. */
export const setSurface = (p: PlanInput, surface: string): PlanInput => ({
  ...setLoad(p, { surface, surfaceWaterG: undefined }),
  ...(p.bench ? { bench: { ...p.bench, drying: {} } } : {}),
});

/** Grams of oil on all of it; said here, it is not put on as the bench had it. */
export const setOil = (p: PlanInput, oilG: number): PlanInput => ({
  ...p,
  coat: { ...p.coat, oilG },
  ...(p.bench ? { bench: { ...p.bench, coating: { ...p.bench.coating, oil: undefined } } } : {}),
});

/** A named coat, or bare. */
export const setCoat = (p: PlanInput, id: string): PlanInput => ({ ...p, coat: { ...p.coat, id, layers: undefined } });

/** A coat by what it is made of; what was put in the place of the usual is in its layers now. */
export const setLayers = (p: PlanInput, layers: Schemas['CoatLayer'][]): PlanInput => ({
  ...p,
  coat: layers.length > 0 ? { ...p.coat, id: 'made', layers } : { ...p.coat, id: 'bare', layers: undefined },
  ...(p.bench
    ? {
        bench: { ...p.bench, coating: { ...p.bench.coating, flour: undefined, crumbs: undefined, starch: undefined } },
      }
    : {}),
});

/** A plan with a warning's change made. */
export function mendPlan(p: PlanInput, change: Schemas['Change']): PlanInput {
  const { program, surface, thicknessMm, oilG, perBasket } = change;
  if (program) return { ...p, program };
  if (surface) return setSurface(p, surface);
  if (thicknessMm) return setLoad(p, { thicknessMm });
  if (perBasket) return { ...p, perBasket };
  if (oilG) return setOil(p, oilG);
  return p;
}

/** What else lies in the basket; turns that were for one that is gone go with it. */
export function setGroups(p: PlanInput, groups: Schemas['Group'][], gone?: number): PlanInput {
  const turns = p.program.turns ?? [];
  return {
    ...p,
    groups: groups.length > 0 ? groups : undefined,
    ...(groups.length > 0 ? { perBasket: undefined, secondFryerId: undefined } : {}),
    program:
      gone === undefined
        ? p.program
        : {
            ...p.program,
            turns: turns
              .filter((t) => (t.group ?? 0) !== gone && !(t.kind === 'out' && groups.length === 0))
              .map((t) => ((t.group ?? 0) > gone ? { ...t, group: (t.group ?? 0) - 1 } : t)),
          },
  };
}
