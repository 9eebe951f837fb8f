import type { Fryer } from '../api/client';

/** What a basket is, inside measure. */
export function basketWords(b: Fryer['basket']): string {
  return b.shape === 'round'
    ? `round basket, ${(b.diameterMm ?? 0) / 10} cm across`
    : `basket of ${(b.widthMm ?? 0) / 10} by ${(b.depthMm ?? 0) / 10} cm`;
}
