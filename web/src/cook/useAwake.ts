import { useEffect } from 'react';

/** Keeps the screen on while a cook is live, where the browser can. */
export function useAwake(on: boolean) {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    const hold = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (l) => {
          lock = l;
        },
        () => {
          // Low battery or no permission: the screen may sleep; the clock does not.
        },
      );
    };
    hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, [on]);
}
