import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { Button } from '../ui/Button';
import { Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
  button {
    width: 100%;
    justify-content: flex-start;
    text-align: left;
  }
`;

interface Props {
  name: string;
  swaps: Schemas['Swap'][];
  note: string | undefined;
  take: (items: Schemas['Item'][]) => void;
}

/** What could stand in for an ingredient; one tap puts it in. */
export function Swaps({ name, swaps, note, take }: Props) {
  if (swaps.length === 0 && !note) return null;
  return (
    <Pop
      title={`No ${name} in?`}
      body={(close) => (
        <>
          {note ? <Quiet>By rule of thumb: {note}.</Quiet> : null}
          <List>
            {swaps.map((s) => (
              <li key={s.says}>
                <Button
                  onPress={() => {
                    take(s.items);
                    close();
                  }}
                >
                  {s.says}
                </Button>
                {s.changes ? <Quiet>It brings {s.changes}.</Quiet> : null}
              </li>
            ))}
          </List>
        </>
      )}
    >
      <Button aria-label={`None in? ${name}`}>None in?</Button>
    </Pop>
  );
}
