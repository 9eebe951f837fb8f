import type { Plan, PlanInput, Schemas, Simulable } from '../api/client';

export type Drawer = NonNullable<PlanInput['drawer']>;
export type Ready = NonNullable<PlanInput['ready']>;
type Simulated = Schemas['Simulated'];

export const drawers: Drawer[] = ['left', 'right'];
export const sideOf = (drawer: Drawer) => (drawer === 'left' ? 'Left' : 'Right');
export const otherOf = (drawer: Drawer): Drawer => (drawer === 'left' ? 'right' : 'left');

/** A dish with the one that runs in the other drawer. */
export interface Pair {
  /** In which drawer the dish of the page is. */
  mine: Drawer;
  other: Plan;
  ready: Ready;
  /** Which of the two says that they belong together. */
  told: 'here' | 'there';
  /** What keeps them apart all the same. */
  apart: string | undefined;
}

/** The dish beside one, whichever of the two says so; nothing where the other has gone. */
export function pairOf(draft: PlanInput, id: string, plans: Plan[]): Pair | undefined {
  const named = plans.find((p) => p.id === draft.besideId && p.id !== id);
  const other = named ?? plans.find((p) => p.besideId === id && p.id !== id);
  if (!other || !draft.drawer) return undefined;
  const apart =
    other.fryerId !== draft.fryerId || other.drawer !== otherOf(draft.drawer)
      ? `${other.name} is not in the ${otherOf(draft.drawer)} drawer any more.`
      : draft.perBasket || other.perBasket || draft.secondFryerId || other.secondFryerId
        ? 'One of the two goes in in several baskets: a supper plans them.'
        : undefined;
  return {
    mine: draft.drawer,
    other,
    ready: (named ? draft.ready : other.ready) ?? 'together',
    told: named ? 'here' : 'there',
    apart,
  };
}

const chamberOf = ({ lots, bench, program }: PlanInput) => ({ lots, bench, program });

/** What is asked of both drawers, the left one first. */
export function pairRequest(draft: PlanInput, pair: Pair): Simulable {
  const [mine, other] = [chamberOf(draft), chamberOf(pair.other)];
  return { fryerId: draft.fryerId, ready: pair.ready, chambers: pair.mine === 'left' ? [mine, other] : [other, mine] };
}

/** The answer of one drawer, as that of a dish alone. */
export function ofDrawer(answer: Simulated | null, drawer: Drawer, mineLots: number): Simulated | null {
  const left = answer?.chambers?.[0];
  const at = answer?.chambers?.[drawers.indexOf(drawer)];
  if (!answer || !left || !at) return answer?.chambers ? null : answer;
  const { laid } = answer;
  return { ...at, laid: drawer === 'left' ? laid.slice(0, mineLots) : laid.slice(laid.length - mineLots) };
}

/** What holds for both, with the cautions of one drawer alone: those of the other are mended on its own page. */
export const mineOf = (both: Simulated, drawer: Drawer): Simulated => ({
  ...both,
  warnings: both.warnings.filter((w) => w.chamber === drawer),
});

/** The minutes that both races show, of a drawer's own: from before its food goes in. */
export function axisOf(answer: Simulated, drawer: Drawer): { from: number; end: number } {
  const all = answer.chambers ?? [];
  const end = Math.max(...all.map((c) => c.startMin + (c.timeline.at(-1)?.minute ?? 0)));
  const start = all[drawers.indexOf(drawer)]?.startMin ?? 0;
  return { from: -start, end: end - start };
}
