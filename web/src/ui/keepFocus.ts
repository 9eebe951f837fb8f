// What the keyboard stood on may go with what was done: a button that is done with,
// a dish that is deleted. Then the keyboard goes on from what stands there now, and
// never from the top of the page.

const reachable =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), summary, [tabindex="0"]';

interface Step {
  in: Element;
  /** Which of its children the way went through. */
  at: number;
}

const wayTo = (el: Element): Step[] => {
  const out: Step[] = [];
  for (let one = el; one.parentElement; one = one.parentElement)
    out.push({ in: one.parentElement, at: [...one.parentElement.children].indexOf(one) });
  return out;
};

const firstIn = (el: Element | undefined): HTMLElement | undefined =>
  el
    ? [el, ...el.querySelectorAll(reachable)]
        .filter((one): one is HTMLElement => one instanceof HTMLElement && one.matches(reachable))
        .find((one) => one.getClientRects().length > 0)
    : undefined;

/** What stands now where a way led: there, else before it, else the page. */
function instead(way: Step[]): HTMLElement | null {
  for (const step of way) {
    if (!step.in.isConnected) continue;
    if (step.in.matches('body, #root')) break;
    const children = [...step.in.children];
    const found =
      firstIn(children[step.at]) ??
      children
        .slice(step.at + 1)
        .map(firstIn)
        .find(Boolean) ??
      children.slice(0, step.at).reverse().map(firstIn).find(Boolean);
    if (found) return found;
  }
  return document.getElementById('page');
}

const gone = (el: HTMLElement) => !el.isConnected || el.matches(':disabled');

/** Long enough for a popover to give the keyboard back by itself, ms. */
const PATIENCE = 80;

/** Watches where the keyboard is; returns how to stop. */
export function keepFocus(): () => void {
  let last: HTMLElement | null = null;
  let way: Step[] = [];
  let waits = 0;
  const came = (e: FocusEvent) => {
    last = e.target as HTMLElement;
    way = wayTo(last);
  };
  const look = () => {
    if (!last || document.activeElement !== document.body || !gone(last) || waits !== 0) return;
    waits = window.setTimeout(() => {
      waits = 0;
      if (!last || document.activeElement !== document.body || !gone(last)) return;
      instead(way)?.focus({ preventScroll: true });
    }, PATIENCE);
  };
  // A press beside everything takes the keyboard away on purpose.
  const left = (e: PointerEvent) => {
    if (!(e.target as Element).closest(reachable)) last = null;
  };
  const watch = new MutationObserver(look);
  watch.observe(document.body, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] });
  document.addEventListener('focusin', came);
  document.addEventListener('pointerdown', left);
  return () => {
    watch.disconnect();
    document.removeEventListener('focusin', came);
    document.removeEventListener('pointerdown', left);
    window.clearTimeout(waits);
  };
}
