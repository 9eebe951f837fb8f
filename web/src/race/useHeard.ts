import { useEffect, useRef, useState } from 'react';

/**
 * What a screen reader hears once a change has been worked out: what has
 * changed, not what stands, and what comes of it.
 */
export function useHeard(parts: string[], outcome: string, settled: boolean): string {
  const [heard, hear] = useState('');
  const before = useRef(parts);
  const text = parts.join('\n');
  useEffect(() => {
    if (!settled) return;
    const now = text.split('\n');
    const changed = now.filter((p) => !before.current.includes(p));
    const gone = now.length < before.current.length ? ['taken out'] : [];
    if (now.join('\n') === before.current.join('\n')) return;
    before.current = now;
    hear(`${[...changed, ...gone].join(', ')}. ${outcome}`);
  }, [text, outcome, settled]);
  return heard;
}
