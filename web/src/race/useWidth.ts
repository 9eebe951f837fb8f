import { useLayoutEffect, useRef, useState } from 'react';

/** The width of an element, kept up to date. */
export function useWidth<T extends HTMLElement>() {
  const ref = useRef<T>(null);
  const [width, setWidth] = useState(0);
  useLayoutEffect(() => {
    const el = ref.current;
    if (!el) return;
    // What is drawn in it must not hold it as wide as it was.
    el.style.minWidth = '0';
    const watch = new ResizeObserver(([entry]) => {
      // A page that is printed keeps what was drawn for the screen.
      if (entry && !window.matchMedia('print').matches) setWidth(Math.round(entry.contentRect.width));
    });
    watch.observe(el);
    setWidth(Math.round(el.getBoundingClientRect().width));
    return () => watch.disconnect();
  }, []);
  return [ref, width] as const;
}
