import type { Fryer } from '../api/client';
import type { Units } from '../format/units';

/** What a basket is, inside measure. */
export function basketWords(b: Fryer['basket'], units: Units): string {
  const side = (mm = 0) => (units.length.unit === 'mm' ? `${mm / 10}` : `${Math.round(units.length.to(mm) * 10) / 10}`);
  const unit = units.length.unit === 'mm' ? 'cm' : units.length.unit;
  return b.shape === 'round'
    ? `round basket, ${side(b.diameterMm)} ${unit} across`
    : `basket of ${side(b.widthMm)} by ${side(b.depthMm)} ${unit}`;
}
