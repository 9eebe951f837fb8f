import { useEffect, useState } from 'react';

/** A value once it has rested for a while. */
export function useSettled<T>(value: T, restMs: number): T {
  const [settled, settle] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => settle(value), restMs);
    return () => clearTimeout(timer);
  }, [value, restMs]);
  return settled;
}
