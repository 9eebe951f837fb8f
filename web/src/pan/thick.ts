import type { Schemas } from '../api/client';

/** What a thickness is called, as a sentence says it: coats a spoon, is a thick glaze. */
export function nearest(levels: Schemas['PanLevel'][], g: number): string {
  const far = (l: Schemas['PanLevel']) => Math.abs(Math.log(g / l.g));
  const best = levels.reduce<Schemas['PanLevel'] | null>((b, l) => (b && far(b) <= far(l) ? b : l), null);
  return best?.says ?? '';
}
