import type { Lab } from '../api/client';

/** CIELAB (D65) as CSS; the browser does the conversion. */
export const cssLab = (lab: Lab) =>
  `lab(${(lab[0] ?? 0).toFixed(1)} ${(lab[1] ?? 0).toFixed(1)} ${(lab[2] ?? 0).toFixed(1)})`;

/** What a cook would call a colour, from the model's browning. */
export function shade(brown: number): string {
  if (brown < 0.25) return 'pale';
  if (brown < 0.75) return 'straw';
  if (brown < 1.5) return 'gold';
  if (brown < 2.5) return 'copper';
  return 'dark';
}
