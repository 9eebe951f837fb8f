import styled from 'styled-components';
import { Button } from './Button';
import type { Kept } from './useKept';

const Words = styled.span`
  font-size: 14px;
  color: var(--quiet);
  min-width: 62px;
  text-align: right;
`;

const Conflict = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  padding: 6px 10px;
  border-radius: 10px;
  background: var(--lemon-wash);
  font-size: 14.5px;
`;

const words = { kept: 'Kept', keeping: 'Keeping…', unsent: 'Kept on this device only' };

interface Props {
  kept: Kept;
  /** Said in the place of the usual, while it cannot be kept at all. */
  instead?: string | undefined;
}

/** Where a thing is kept; with another device's change, which of the two to keep. */
export function KeptState({ kept, instead }: Props) {
  if (kept.state === 'conflict')
    return (
      <Conflict role="alert">
        Changed on another device too. Both are still there:
        <Button onPress={kept.keepMine}>Keep mine</Button>
        <Button onPress={kept.takeTheirs}>Take theirs</Button>
      </Conflict>
    );
  return (
    <Words role={kept.state === 'unsent' || instead ? 'status' : undefined} className="no-print">
      {instead ?? words[kept.state]}
    </Words>
  );
}
