import { drawerOf, place } from '../api/place';

/** To the made-up household; its pages are pages of their own, so that nothing of the two can mix. */
export const lookAround = () => window.location.assign('/demo/plan');

/** Back to the own household; of the made-up one nothing stays, here or there. */
export async function leave() {
  try {
    await fetch(place, { method: 'DELETE' });
  } finally {
    const own = drawerOf('');
    for (const key of Object.keys(localStorage)) if (key.startsWith(own)) localStorage.removeItem(key);
    window.location.assign('/plan');
  }
}
