import { useSyncExternalStore } from 'react';

const wide = () => window.matchMedia('(min-width: 1021px)');

const follow = (changed: () => void) => {
  const media = wide();
  media.addEventListener('change', changed);
  return () => media.removeEventListener('change', changed);
};

/** Whether there is room for several things side by side. */
export const useWide = () => useSyncExternalStore(follow, () => wide().matches);
