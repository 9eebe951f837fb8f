import { useEffect, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { Quiet } from './layout';

/** What is said goes; what can be chosen stays where it is under a hand. */
const Box = styled.div`
  &[data-late] :is(p, li, dl, table, svg, figure, small, strong, output) {
    visibility: hidden;
    :is(button, input, select, textarea, label, [role='radiogroup']) {
      visibility: visible;
    }
  }
  &[data-late] > [role='status'] {
    visibility: visible;
  }
`;

const LATE_MS = 150;

interface Props {
  /** An answer is on its way: what stands is of what was there before. */
  pending: boolean;
  /** It was refused: there is none. */
  refused: boolean;
  children: ReactNode;
}

/** Shows nothing of an answer that is of the thing before, once the new one lets wait. */
export function Late({ pending, refused, children }: Props) {
  const [late, setLate] = useState(false);
  useEffect(() => {
    if (!pending) return;
    const timer = setTimeout(() => setLate(true), LATE_MS);
    return () => {
      clearTimeout(timer);
      setLate(false);
    };
  }, [pending]);
  const hidden = refused || (pending && late);
  return (
    <Box data-late={hidden || undefined} aria-busy={pending}>
      {hidden && !refused ? <Quiet role="status">Working it out…</Quiet> : null}
      {children}
    </Box>
  );
}
