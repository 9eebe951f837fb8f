import { scaleLinear } from 'd3-scale';
import type { Schemas } from '../api/client';
import { FLAG_ROW, flagRows } from '../race/scale';
import type { Sauce, SauceAnswer } from './usePan';

export interface PanPlace {
  answer: SauceAnswer;
  sauce: Sauce;
  /** Minute of the basket at which the food is out. */
  endMin: number;
  choices: Schemas['PanChoices'];
  width: number;
}

/** Where everything in the race of a pan stands, in pixels. */
export function panScale({ answer: { made }, sauce, endMin, choices, width }: PanPlace) {
  const [low = 0, high = 0] = made.band;
  const compact = width < 560;
  const on = endMin - made.onMin;
  const ready = on + made.readyMin;
  const wanted = sauce.clingsG ?? choices.usual.sauce.clingsG ?? 0;
  const aims = sauce.school !== 'melt';
  const boils = sauce.school === 'reduce' || sauce.school === 'thicken';
  const from = Math.min(on - 2, endMin - 6);
  const to = Math.max(endMin + 4, Math.min(ready + made.waitMin, ready + 14) + 2);
  const left = compact ? 40 : 138;
  const right = Math.max(width, 280) - (compact ? 12 : 24);
  const top = { from: 20, to: compact ? 170 : 200 };
  const rail = { from: top.to + 34, step: 17 };
  const below = boils ? rail.from + rail.step * 3 : top.to;
  const mass = { from: below + 26, to: below + 92 };
  const axis = mass.to + 12;
  const x = scaleLinear([from, to], [left, right]);
  const tallest = Math.max(aims ? wanted * 1.7 : 0, high * 1.15, 10);
  const y = scaleLinear([2.5, tallest], [top.to, top.from]).clamp(true);
  const heaviest = Math.max(...made.line.map((point) => point.massG), 1);
  const z = scaleLinear([0, heaviest], [mass.to, mass.from]);
  const flags = made.moments.filter((m) => m.kind !== 'add' || !compact);
  const rows = flagRows([x(endMin), ...flags.map((m) => x(on + m.minute))]);
  return {
    compact,
    low,
    high,
    on,
    ready,
    until: Math.min(ready + made.waitMin, to),
    boilsAt: on + (made.moments.find((m) => m.kind === 'boil')?.minute ?? 0),
    wanted,
    aims,
    boils,
    from,
    to,
    left,
    right,
    top,
    rail,
    mass,
    axis,
    x,
    y,
    z,
    tallest,
    flags,
    rows,
    height: axis + 66 + Math.max(0, ...rows) * FLAG_ROW,
    flagTop: (row = 0) => axis + 44 + row * FLAG_ROW,
    heatAt: choices.heats.findIndex((h) => h.id === (sauce.heat ?? choices.usual.sauce.heat)),
    railY: (k: number) => rail.from + (choices.heats.length - 1 - k) * rail.step,
  };
}

export type PanScale = ReturnType<typeof panScale>;
