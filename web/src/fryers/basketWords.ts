import type { Fryer } from '../api/client';
import type { Units } from '../format/units';

/** What a basket is, inside measure. */
export function basketWords(b: Fryer['basket'], units: Units): string {
  const side = (mm = 0) => (units.length.unit === 'mm' ? `${mm / 10}` : `${units.length.to(mm)}`);
  const unit = units.length.unit === 'mm' ? 'cm' : units.length.unit;
  return b.shape === 'round'
    ? `round basket, ${side(b.diameterMm)} ${unit} across`
    : `basket of ${side(b.widthMm)} by ${side(b.depthMm)} ${unit}`;
}
