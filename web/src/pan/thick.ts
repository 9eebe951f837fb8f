import type { Schemas } from '../api/client';

/** What a thickness is called, as a sentence says it: coats a spoon, is a thick glaze. */
export const called = (levels: Schemas['PanLevel'][], g: number) => levels.findLast((l) => g > l.fromG)?.says ?? '';
