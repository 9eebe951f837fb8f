import { useSyncExternalStore } from 'react';
import { complain } from '../ui/toast';
import { Refusal, sendOn, type Schemas } from './client';
import { drawerOf } from './place';

/** Something tapped or typed that has not been answered yet. */
export interface Letter {
  id: string;
  /** When it was tapped, by the server's clock where it is known. */
  at: string;
  /** In a cook's words. */
  what: string;
  method: 'POST' | 'PUT' | 'PATCH';
  path: string;
  body: unknown;
  /** The version it was made on, 0 for what is new; without one it counts whatever is there. */
  version?: number;
  /** It may have arrived, with its answer lost. */
  tried?: true;
  /** Another device has changed the same thing meanwhile. */
  conflict?: true;
}

type Event = Schemas['CookEventInput'] & { id: string; at: string };

const DRAWER = drawerOf('outbox');
const TAPS = 'velocrustum.taps';
const RETRY_MS = 1500;
const LONGEST_MS = 30_000;

const eventsOf = (cook: string) => `/cooks/${cook}/events`;

function read(): Letter[] {
  try {
    return JSON.parse(localStorage.getItem(DRAWER) ?? '[]') as Letter[];
  } catch {
    return [];
  }
}

let letters = read();
let tries = 0;
let timer: ReturnType<typeof setTimeout> | undefined;
let sending = false;
const listeners = new Set<() => void>();
const answered = new Set<(letter: Letter, answer: unknown) => void>();

/** Changes what is kept, which another tab may have changed meanwhile. */
function keep(change: (kept: Letter[]) => Letter[]) {
  letters = change(read());
  localStorage.setItem(DRAWER, JSON.stringify(letters));
  listeners.forEach((l) => l());
}

const replace = (id: string, by: Letter[]) => keep((kept) => kept.flatMap((l) => (l.id === id ? by : [l])));

/** Sends what waits, in the order it was tapped; what finds no answer is tried again after growing pauses. */
async function pump() {
  if (sending) return;
  clearTimeout(timer);
  sending = true;
  for (let next = letters.find((l) => !l.conflict); next; next = letters.find((l) => !l.conflict)) {
    const letter = next;
    let answer: unknown;
    if (!letter.tried) replace(letter.id, [{ ...letter, tried: true }]);
    try {
      answer = await sendOn(letter);
    } catch (cause) {
      const refusal = cause instanceof Refusal ? cause : new Refusal({ status: 500, title: 'That went wrong' });
      if (refusal.problem.status === 0 || refusal.problem.status >= 500) {
        timer = setTimeout(() => void pump(), Math.min(LONGEST_MS, RETRY_MS * 2 ** tries++));
        break;
      }
      if (refusal.problem.status === 412) {
        replace(letter.id, [{ ...letter, conflict: true }]);
        continue;
      }
      // Whatever page is shown: what was refused is told, and not kept in silence.
      complain(refusal);
      answer = null;
    }
    tries = 0;
    replace(letter.id, []);
    answered.forEach((tell) => tell(letter, answer));
  }
  sending = false;
}

/** An id of this device's own; randomUUID is not there without TLS. */
export const ownId = () =>
  Array.from(crypto.getRandomValues(new Uint8Array(12)), (b) => b.toString(16).padStart(2, '0')).join('');

/** Keeps what was tapped or typed on this device, and sends it as soon as it can. */
export function post(letter: Omit<Letter, 'id' | 'at'> & { id?: string; at?: string }) {
  const written: Letter = { id: ownId(), at: new Date().toISOString(), ...letter };
  keep((kept) => {
    const before = kept.at(-1);
    // A thing written again before its letter has set out: one letter is enough.
    if (letter.method === 'PUT' && before?.path === letter.path && !before.tried)
      return [...kept.slice(0, -1), { ...before, body: letter.body, what: letter.what }];
    return [...kept, written];
  });
  tries = 0;
  void pump();
}

/** What another device has changed as well: this one's takes its place, or is let go. */
export function settle(letter: Letter, mine: boolean) {
  const { id, at, what, method, path, body } = letter;
  replace(id, mine ? [{ id, at, what, method, path, body }] : []);
  if (mine) void pump();
  else answered.forEach((tell) => tell(letter, null));
}

/** Says something in a cook, when it was by the kitchen's time. */
export function tap(cook: string, atMs: number, what: string, event: Omit<Event, 'id' | 'at'>) {
  const id = ownId();
  const at = new Date(atMs).toISOString();
  post({ id, at, what, method: 'POST', path: eventsOf(cook), body: { id, at, ...event } });
}

/** Says something of a supper. */
export function tapOf(
  evening: string,
  atMs: number,
  what: string,
  event: Omit<Schemas['EveningEventInput'], 'id' | 'at'>,
) {
  const id = ownId();
  const at = new Date(atMs).toISOString();
  post({ id, at, what, method: 'POST', path: `/evenings/${evening}/events`, body: { id, at, ...event } });
}

/** Takes back what has not been sent yet. */
export const untap = (id: string) => replace(id, []);

/** Hears of each letter that was answered, with null for one that was refused, until the returned function is called. */
export function onAnswer(tell: (letter: Letter, answer: unknown) => void): () => void {
  answered.add(tell);
  void pump();
  return () => answered.delete(tell);
}

/** Which cook a letter says something in, if it does. */
export const cookOf = (letter: Letter) => /^\/cooks\/(.+)\/events$/.exec(letter.path)?.[1];

/** Resolves when nothing made here waits for a path any more; refuses while it does. */
export function delivered(path: string) {
  if (letters.some((l) => l.path === path))
    throw new Refusal({ status: 0, title: 'No connection', detail: 'It waits on this device.' });
}

/** What waits for paths that begin so. */
export const waitingFor = (path: string) => letters.filter((l) => l.path.startsWith(path));

window.addEventListener('online', () => void pump());
window.addEventListener('storage', (e) => {
  if (e.key !== DRAWER) return;
  letters = read();
  listeners.forEach((l) => l());
});

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Everything that waits. */
export const useOutbox = () => useSyncExternalStore(subscribe, () => letters);

/** What of one cook waits to be sent. */
export const useWaiting = (cook: string): Event[] =>
  useOutbox()
    .filter((l) => l.path === eventsOf(cook))
    .map((l) => l.body as Event);

/** Taps that an earlier version kept under a name of their own. */
function inherit() {
  const kept = localStorage.getItem(TAPS);
  if (!kept) return;
  localStorage.removeItem(TAPS);
  try {
    for (const { cook, event } of JSON.parse(kept) as { cook: string; event: Event }[])
      post({ id: event.id, at: event.at, what: event.kind, method: 'POST', path: eventsOf(cook), body: event });
  } catch {
    // What cannot be read was never a tap.
  }
}

inherit();
// What a page that went away had not sent.
void pump();
