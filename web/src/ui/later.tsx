import { useEffect, useState, type ComponentProps, type ComponentType, type ReactNode } from 'react';

const TRIES = 4;
const PAUSE_MS = 700;

/** Fetches a script; what finds no answer is tried again after growing pauses. */
async function fetched<T>(script: () => Promise<T>): Promise<T> {
  for (let k = 1; ; k++) {
    try {
      return await script();
    } catch (cause) {
      if (k === TRIES) throw cause;
      await new Promise((resolve) => setTimeout(resolve, PAUSE_MS * k));
    }
  }
}

/**
 * A part of a page whose script comes when it is shown, or ahead of that;
 * until then the place holds what is said here. Without React's own waiting,
 * which holds back what is ready for a third of a second.
 */
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- any component, whatever its props
export function later<C extends ComponentType<any>>(script: () => Promise<C>, until: ReactNode = null) {
  interface Got {
    part?: C;
    /** Why it could not be had, for the boundary to tell. */
    failed?: unknown;
  }
  let here: C | undefined;
  function Later(props: ComponentProps<C>) {
    const [{ part, failed }, got] = useState<Got>(here ? { part: here } : {});
    useEffect(() => {
      if (part) return;
      let gone = false;
      fetched(script).then(
        (part) => {
          here = part;
          if (!gone) got({ part });
        },
        (failed: unknown) => {
          if (!gone) got({ failed });
        },
      );
      return () => {
        gone = true;
      };
    }, [part]);
    if (failed) throw failed instanceof Error ? failed : new Error('A part of the page could not be had.');
    const Part: ComponentType<ComponentProps<C>> | undefined = part;
    return Part ? <Part {...props} /> : until;
  }
  /** Fetches the script ahead; without an answer it is asked for again when it is shown. */
  const ahead = async () => {
    try {
      here = await script();
    } catch {
      // It is tried again, and told, when it is shown.
    }
  };
  return Object.assign(Later, { ahead });
}
