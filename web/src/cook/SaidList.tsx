import { Undo2 } from 'lucide-react';
import styled from 'styled-components';
import { clock } from '../format/units';
import { Button } from '../ui/Button';

const List = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 0 24px;
  font-size: 17px;
  li {
    display: flex;
    align-items: center;
    gap: 10px;
    min-height: 66px;
    border-top: 1px solid var(--line);
  }
  span {
    flex: 1;
  }
  button {
    min-height: 64px;
    background: transparent;
    color: var(--quiet);
  }
`;

export interface SaidOnce {
  id: string;
  title: string;
  at: string;
  /** It has not been answered yet. */
  waits?: boolean;
}

/** All that was said, the latest first, each to be taken back by itself. */
export function SaidList({ said, back }: { said: SaidOnce[]; back: (s: SaidOnce) => void }) {
  return (
    <List aria-label="What was said">
      {said.toReversed().map((s) => (
        <li key={s.id}>
          <b>{clock(s.at)}</b>
          <span>
            {s.title}
            {s.waits ? ' (kept on this device, and sent later)' : ''}
          </span>
          <Button aria-label={`Take back: ${s.title}`} onPress={() => back(s)}>
            <Undo2 size={18} aria-hidden /> Take back
          </Button>
        </li>
      ))}
    </List>
  );
}
