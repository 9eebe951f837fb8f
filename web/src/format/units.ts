import type { Settings } from '../api/client';

/** Shows °C and g in the household's units, and reads steppers back. */
export interface Units {
  degree: string;
  gram: string;
  /** Whole degrees with the sign, as in 165 °C. */
  temperature: (c: number) => string;
  /** A mass with its unit. */
  mass: (g: number) => string;
  toDegrees: (c: number) => number;
  fromDegrees: (d: number) => number;
  toMass: (g: number) => number;
  fromMass: (m: number) => number;
  massStep: number;
  /** Round numbers of the household's scale for an axis of air, 0 to about 215 °C, in its degrees. */
  axis: number[];
}

const GRAMS_PER_OUNCE = 28.3495;

export function unitsOf(settings: Pick<Settings, 'temperature' | 'mass'>): Units {
  const f = settings.temperature === 'F';
  const oz = settings.mass === 'oz';
  const toDegrees = (c: number) => Math.round(f ? (c * 9) / 5 + 32 : c);
  const toMass = (g: number) => (oz ? Math.round((g / GRAMS_PER_OUNCE) * 10) / 10 : Math.round(g));
  return {
    degree: f ? '°F' : '°C',
    gram: oz ? 'oz' : 'g',
    temperature: (c) => `${toDegrees(c)} ${f ? '°F' : '°C'}`,
    mass: (g) => `${toMass(g)} ${oz ? 'oz' : 'g'}`,
    toDegrees,
    fromDegrees: (d) => (f ? ((d - 32) * 5) / 9 : d),
    toMass,
    fromMass: (m) => (oz ? m * GRAMS_PER_OUNCE : m),
    massStep: oz ? 0.1 : 1,
    axis: f ? [100, 200, 300, 400] : [0, 50, 100, 150, 200],
  };
}

/** Whole minutes, or halves where they matter: 12, 7.5. */
export const minutes = (m: number) => `${Math.round(m * 2) / 2}`;

export const clock = (iso: string) => new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

export const day = (iso: string) =>
  new Date(iso).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });
