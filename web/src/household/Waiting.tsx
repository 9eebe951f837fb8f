import { useEffect, useState } from 'react';
import { useLocation } from 'react-router';
import styled from 'styled-components';
import { cookOf, settle, useOutbox, type Letter } from '../api/outbox';
import { Button } from '../ui/Button';

const Band = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 10px;
  max-width: 1320px;
  margin: 0 auto 6px;
  padding: 6px 28px;
  background: var(--lemon-wash);
  font-size: 14.5px;
`;

// Most are answered before they could be read as waiting.
const LATE_MS = 1500;

/** What has waited for a while; the page of a cook shows its own. */
function useLate(): Letter[] {
  const all = useOutbox();
  const { pathname } = useLocation();
  const [late, setLate] = useState(false);
  const waits = all.length > 0;
  useEffect(() => {
    if (!waits) return;
    const timer = setTimeout(() => setLate(true), LATE_MS);
    return () => {
      clearTimeout(timer);
      setLate(false);
    };
  }, [waits]);
  return late ? all.filter((l) => !l.conflict && !(pathname === '/cook' && cookOf(l))) : [];
}

/** What waits on this device, on every page; and what two devices have changed, to choose from. */
export function Waiting() {
  const late = useLate();
  const conflicts = useOutbox().filter((l) => l.conflict);
  return (
    <>
      {late.length > 0 ? (
        <Band role="status" className="no-print">
          Kept on this device, and sent when the kitchen computer answers: {late.map((l) => l.what).join('; ')}
        </Band>
      ) : null}
      {conflicts.map((l) => (
        <Band key={l.id} role="alert" className="no-print">
          Changed on another device too: {l.what}. Both are still there:
          <Button onPress={() => settle(l, true)}>Keep mine</Button>
          <Button onPress={() => settle(l, false)}>Take theirs</Button>
        </Band>
      ))}
    </>
  );
}
