import type { Lab } from '../api/client';

/** CIELAB (D65) as CSS; the browser does the conversion. */
export const cssLab = (lab: Lab) =>
  `lab(${(lab[0] ?? 0).toFixed(1)} ${(lab[1] ?? 0).toFixed(1)} ${(lab[2] ?? 0).toFixed(1)})`;
