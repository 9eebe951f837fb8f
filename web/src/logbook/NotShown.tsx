import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { Card } from '../ui/layout';

const Warned = styled(Card)`
  border-left: 6px solid var(--heat);
`;

/** What came out and was not shown safe, as the logbook keeps it. */
export function NotShown({ shown, what }: { shown: Schemas['Shown'] | undefined; what: string }) {
  if (!shown || shown.safe) return null;
  return (
    <Warned role="note" aria-label={`Not shown safe: ${what}`}>
      <h2>Not shown safe</h2>
      <p>{shown.says}</p>
    </Warned>
  );
}
