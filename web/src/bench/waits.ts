import type { Bench } from './useBench';

/** A bench whose station waits so long, minutes: hours of salt, rack and marinade, minutes of a coat. */
export const waited =
  (kind: string, minutes: number) =>
  (b: Bench): Bench => {
    const hours = minutes / 60;
    switch (kind) {
      case 'dry':
        return { ...b, drying: { ...b.drying, hours } };
      case 'salt':
        return b.salting ? { ...b, salting: { ...b.salting, hours } } : b;
      case 'marinade':
        return b.marinade ? { ...b, marinade: { ...b.marinade, hours } } : b;
      case 'coat':
        return { ...b, coating: { ...b.coating, restMin: minutes } };
    }
    return b;
  };
