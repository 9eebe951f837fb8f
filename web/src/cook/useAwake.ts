import { useEffect } from 'react';

/** Holds the screen on by the browser's own means. */
function hold(): () => void {
  let lock: WakeLockSentinel | null = null;
  const ask = () => {
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
  ask();
  document.addEventListener('visibilitychange', ask);
  return () => {
    document.removeEventListener('visibilitychange', ask);
    void lock?.release();
  };
}

/** Plays a silent film from the first tap on, where a page on the home network may not ask for more. */
function play(): () => void {
  let stop = () => {};
  let gone = false;
  const begin = () => {
    document.removeEventListener('click', begin);
    void import('nosleep.js').then(({ default: NoSleep }) => {
      if (gone) return;
      const film = new NoSleep();
      film.enable().catch(() => undefined); // the phone's own setting decides
      stop = () => film.disable();
    });
  };
  document.addEventListener('click', begin);
  return () => {
    gone = true;
    document.removeEventListener('click', begin);
    stop();
  };
}

/** Keeps the screen on while a cook is live, where the browser can. */
export function useAwake(on: boolean) {
  useEffect(() => {
    if (!on) return;
    return 'wakeLock' in navigator ? hold() : play();
  }, [on]);
}
