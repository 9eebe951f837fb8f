import type { Schemas, Settings } from '../api/client';
import type { Also } from '../ui/number';

type Range = Schemas['Range'];

/** One quantity in the household's unit: shown, and read back from a stepper. */
export interface Scale {
  unit: string;
  to: (si: number) => number;
  from: (shown: number) => number;
  /** A figure with its unit. */
  words: (si: number) => string;
  /** A range of the contract for a stepper, on this scale's own round numbers. */
  stepper: (range: Pick<Range, 'min' | 'max' | 'step'>) => {
    min: number;
    max: number;
    step: number;
    unit: string;
    also: Also | undefined;
  };
}

interface Conversion {
  unit: string;
  /** How many of the contract's unit make one of this. */
  per: number;
  zero?: number;
  digits: number;
  /** The least step that a hand moves this by. */
  least: number;
  /** Steps that are larger are rounded to one of these. */
  steps?: number[];
  also?: Also;
}

function scale({ unit, per, zero = 0, digits, least, steps, also }: Conversion): Scale {
  const round = (v: number) => Math.round(v * 10 ** digits) / 10 ** digits + 0;
  const to = (si: number) => round(si / per + zero);
  const from = (shown: number) => Math.round((shown - zero) * per * 10) / 10;
  return {
    unit,
    to,
    from,
    words: (si) => `${to(si)} ${unit}`,
    stepper: ({ min, max, step }) => {
      const own = Math.max(least, round(step / per));
      const nice = steps ? steps.reduce((best, s) => (Math.abs(s - own) < Math.abs(best - own) ? s : best)) : own;
      return {
        min: Math.ceil((min / per + zero) / nice - 1e-9) * nice,
        max: Math.floor((max / per + zero) / nice + 1e-9) * nice,
        step: nice,
        unit,
        also,
      };
    },
  };
}

/** Shows °C, g, mm and ml in the household's units, and reads steppers back. */
export interface Units {
  heat: Scale;
  /** A difference of temperatures. */
  warmer: Scale;
  weight: Scale;
  length: Scale;
  volume: Scale;
  /** How wide a pan is, from cm. */
  across: Scale;
  degree: string;
  gram: string;
  /** Whole degrees with the sign, as in 165 °C. */
  temperature: (c: number) => string;
  /** The whole degrees that what is c °C has reached: never a rule's own figure for less than it. */
  reached: (c: number) => string;
  /** A mass with its unit. */
  mass: (g: number) => string;
  /** A small one, finer. */
  pinch: (g: number) => string;
  /** One as a cook reads it: whole from ten grams on. */
  read: (g: number) => string;
  /** One to be weighed, as it is typed. */
  amount: (g: number) => string;
  toDegrees: (c: number) => number;
  fromDegrees: (d: number) => number;
  /** The weight that pieces are counted to, and its name. */
  whole: { g: number; name: string };
  /** Round numbers of the household's scale for an axis of air, 0 to about 215 °C, in its degrees. */
  axis: number[];
}

const KELVIN_PER_F = 5 / 9;
const GRAMS_PER_OUNCE = 28.349523125;
const MM_PER_INCH = 25.4;
const ML_PER_QUART = 946.352946;

export function unitsOf(settings: Pick<Settings, 'temperature' | 'mass'>): Units {
  const f = settings.temperature === 'F';
  const oz = settings.mass === 'oz';
  const warm = { digits: 0, least: 1, steps: [1, 5, 10, 25] };
  const heat = scale(
    f
      ? { unit: '°F', per: KELVIN_PER_F, zero: 32, ...warm, also: { unit: '°C', from: (c) => c / KELVIN_PER_F + 32 } }
      : { unit: '°C', per: 1, ...warm, also: { unit: '°F', from: (d) => (d - 32) * KELVIN_PER_F } },
  );
  const weight = scale(
    oz ? { unit: 'oz', per: GRAMS_PER_OUNCE, digits: 1, least: 0.1 } : { unit: 'g', per: 1, digits: 0, least: 1 },
  );
  return {
    heat,
    warmer: scale(f ? { unit: '°F', per: KELVIN_PER_F, ...warm } : { unit: '°C', per: 1, ...warm }),
    weight,
    length: scale(
      oz
        ? { unit: 'in', per: MM_PER_INCH, digits: 2, least: 0.05, steps: [0.05, 0.25] }
        : { unit: 'mm', per: 1, digits: 0, least: 1 },
    ),
    volume: scale(
      oz
        ? { unit: 'quarts', per: ML_PER_QUART, digits: 1, least: 0.1 }
        : { unit: 'litres', per: 1000, digits: 1, least: 0.1 },
    ),
    across: scale(
      oz ? { unit: 'inches', per: MM_PER_INCH / 10, digits: 0, least: 1 } : { unit: 'cm', per: 1, digits: 0, least: 1 },
    ),
    degree: heat.unit,
    gram: weight.unit,
    temperature: heat.words,
    // A whole °F that was kept in tenths of a °C is up to 0.1 off.
    reached: (c) => {
      const kept = Math.round(c * 10) / 10;
      return `${Math.floor(f ? kept / KELVIN_PER_F + 32.1 : kept)} ${heat.unit}`;
    },
    mass: weight.words,
    read: (g) =>
      g >= (oz ? GRAMS_PER_OUNCE : 10)
        ? weight.words(g)
        : oz
          ? `${(g / GRAMS_PER_OUNCE).toFixed(2)} oz`
          : `${Math.round(g * 10) / 10} g`,
    amount: (g) =>
      oz
        ? `${Math.round((g / GRAMS_PER_OUNCE) * 100) / 100} oz`
        : `${g < 50 ? Math.round(g * 10) / 10 : Math.round(g)} g`,
    pinch: (g) => (oz ? `${(g / GRAMS_PER_OUNCE).toFixed(2)} oz` : `${g.toFixed(1)} g`),
    toDegrees: heat.to,
    fromDegrees: heat.from,
    whole: oz ? { g: 16 * GRAMS_PER_OUNCE, name: 'pound' } : { g: 1000, name: 'kilogram' },
    axis: f ? [100, 200, 300, 400] : [0, 50, 100, 150, 200],
  };
}

/** Whole minutes, or halves where they matter: 12, 7.5. */
export const minutes = (m: number) => `${Math.round(m * 2) / 2}`;

/** The time of day, in whole minutes that have begun. */
export const clock = (iso: string) => new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

// A formatter is dear to make, and lists have thousands of days.
const ofThisYear = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });
const ofAnother = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

/** A day; with its year where that is another. */
export const day = (iso: string) => {
  const at = new Date(iso);
  return (at.getFullYear() === new Date().getFullYear() ? ofThisYear : ofAnother).format(at);
};

/** A length of time before the basket: 20 min, 3 h. */
export const hours = (h: number) => (h < 1 ? `${Math.round(h * 60)} min` : `${h} h`);
