import { useEffect, useState } from 'react';
import { kitchenTime, type Ticking } from '../api/live';

const EVERY_MS = 200;

/** The kitchen's time, as this device counts on. */
export function useClock(ticking: Ticking): number {
  const [here, setHere] = useState(() => performance.now());
  useEffect(() => {
    const timer = setInterval(() => setHere(performance.now()), EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  return kitchenTime(ticking, here);
}
