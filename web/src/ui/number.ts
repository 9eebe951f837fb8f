/** What a number that was typed is, with a decimal point or comma; null where it is none. */
export function parseNumber(text: string): number | null {
  const plain = text
    .trim()
    .replace(/[−–]/g, '-')
    .replace(/[\s'’]/g, '')
    .replace(',', '.');
  return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : null;
}

/** A number as it is shown, without more digits than it has. */
export const showNumber = (v: number, digits: number) => String(Math.round(v * 10 ** digits) / 10 ** digits);

export interface Bounds {
  min: number;
  max: number;
  unit?: string | undefined;
  /** Nothing in between: pieces, trays, hands. */
  whole?: boolean | undefined;
}

/** Why what was typed cannot be, in a cook's words; empty where it can. */
export function refusal(text: string, { min, max, unit, whole }: Bounds): string {
  const of = unit ? ` ${unit}` : '';
  const v = parseNumber(text);
  if (v === null) return text.trim() === '' ? `A number from ${min} to ${max}${of}.` : `“${text.trim()}” is no number.`;
  if (v < min || v > max) return `${text.trim()}${of} cannot be: ${min} to ${max}${of}.`;
  return whole && !Number.isInteger(v) ? `${text.trim()} cannot be: whole ones, ${min} to ${max}.` : '';
}

/** Another unit in which a figure that cannot be may have been meant. */
export interface Also {
  unit: string;
  /** What it is in the field's own unit. */
  from: (typed: number) => number;
}
