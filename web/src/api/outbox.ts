import { useSyncExternalStore } from 'react';
import { Refusal, type Cook, type Schemas } from './client';
import { complain } from '../ui/toast';
import { sayToCook } from './queries';

/** What was tapped in a cook and has not been answered yet. */
export interface Tap {
  cook: string;
  event: Schemas['CookEventInput'] & { id: string; at: string };
}

const DRAWER = 'velocrustum.taps';
const RETRY_MS = 1500;
const LONGEST_MS = 30_000;

function read(): Tap[] {
  try {
    return JSON.parse(localStorage.getItem(DRAWER) ?? '[]') as Tap[];
  } catch {
    return [];
  }
}

let taps = read();
let tries = 0;
let timer: ReturnType<typeof setTimeout> | undefined;
let sending = false;
const listeners = new Set<() => void>();
const answered = new Set<(tap: Tap, answer: Cook | null) => void>();

/** Changes what is kept, which another tab may have changed meanwhile. */
function keep(change: (kept: Tap[]) => Tap[]) {
  taps = change(read());
  localStorage.setItem(DRAWER, JSON.stringify(taps));
  listeners.forEach((l) => l());
}

/** Sends what waits, in the order it was tapped; what finds no answer is tried again after growing pauses. */
async function pump() {
  if (sending) return;
  clearTimeout(timer);
  sending = true;
  while (taps[0]) {
    const tap = taps[0];
    let answer: Cook | Refusal;
    try {
      answer = await sayToCook(tap.cook, tap.event);
    } catch (cause) {
      const refusal = cause instanceof Refusal ? cause : new Refusal({ status: 500, title: 'That went wrong' });
      if (refusal.problem.status === 0 || refusal.problem.status >= 500) {
        timer = setTimeout(() => void pump(), Math.min(LONGEST_MS, RETRY_MS * 2 ** tries++));
        break;
      }
      answer = refusal;
    }
    tries = 0;
    keep((kept) => kept.filter((t) => t.event.id !== tap.event.id));
    // Whatever page is shown: what was refused is told, and not kept in silence.
    if (answer instanceof Refusal) complain(answer);
    answered.forEach((tell) => tell(tap, answer instanceof Refusal ? null : answer));
  }
  sending = false;
}

/** An id of this device's own; randomUUID is not there without TLS. */
const ownId = () =>
  Array.from(crypto.getRandomValues(new Uint8Array(12)), (b) => b.toString(16).padStart(2, '0')).join('');

/** Keeps a tap on this device, by the server's clock (ahead of this device's count by skewMs), and sends it as soon as it can. */
export function tap(cook: string, skewMs: number, kind: Schemas['CookEventInput']['kind'], value?: number) {
  const event = { id: ownId(), kind, at: new Date(performance.now() + skewMs).toISOString() };
  keep((kept) => [...kept, { cook, event: value === undefined ? event : { ...event, value } }]);
  tries = 0;
  void pump();
}

/** Takes a tap back that has not been sent yet. */
export const untap = (id: string) => keep((kept) => kept.filter((t) => t.event.id !== id));

/** Hears of each tap that was answered, with null for one that was refused, until the returned function is called. */
export function onAnswer(tell: (tap: Tap, answer: Cook | null) => void): () => void {
  answered.add(tell);
  void pump();
  return () => answered.delete(tell);
}

window.addEventListener('online', () => void pump());
window.addEventListener('storage', (e) => {
  if (e.key !== DRAWER) return;
  taps = read();
  listeners.forEach((l) => l());
});

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** What waits to be sent, for one cook. */
export function useWaiting(cook: string): Tap[] {
  const all = useSyncExternalStore(subscribe, () => taps);
  return all.filter((t) => t.cook === cook);
}

// What a page that went away had not sent.
void pump();
