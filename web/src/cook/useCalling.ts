import { useEffect, useRef, useState } from 'react';
import { drawerOf } from '../api/place';
import { chime } from './chime';

const DRAWER = drawerOf('voice');

/** Whether this device speaks, where it can. */
export function useVoice(): [can: boolean, on: boolean, set: (on: boolean) => void] {
  const can = 'speechSynthesis' in window;
  const [on, setOn] = useState(() => localStorage.getItem(DRAWER) === 'on');
  return [
    can,
    can && on,
    (yes) => {
      localStorage.setItem(DRAWER, yes ? 'on' : 'off');
      if (!yes && can) window.speechSynthesis.cancel();
      setOn(yes);
    },
  ];
}

/** Rings once for each thing that falls due, and says it. */
export function useCalling(moment: string, due: boolean, ring: boolean, speak: string) {
  const called = useRef('');
  useEffect(() => {
    if (!due || called.current === moment) return;
    called.current = moment;
    if (ring) chime();
    if (!speak) return;
    window.speechSynthesis.cancel();
    const said = new SpeechSynthesisUtterance(speak);
    said.lang = 'en-GB';
    window.speechSynthesis.speak(said);
  }, [due, moment, ring, speak]);
}
