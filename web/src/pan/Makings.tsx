import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { type } from '../theme/tokens';
import { Part } from '../ui/sentence';

const Says = styled.p`
  font: 700 20px/1.6 ${type.loud};
  letter-spacing: -0.01em;
`;

const Mark = styled.span`
  display: inline-block;
`;

interface Props {
  items: Schemas['Item'][];
  pantry: Schemas['Ingredient'][];
  /** How much of one is said, by its place. */
  amount: (at: number) => string;
  /** What is in it, to be changed. */
  children: ReactNode;
}

/** What is in something, as one sentence; a tap on any of it opens the amounts. */
export function Makings({ items, pantry, amount, children }: Props) {
  // Nothing yet is said with fields at once.
  const [open, setOpen] = useState(items.length === 0);
  return (
    <>
      {items.length > 0 ? (
        <Says>
          {items.map((it, k) => (
            <span key={`${it.ingredient}${k}`}>
              <Part aria-expanded={open} onPress={() => setOpen(!open)}>
                {amount(k)} {pantry.find((p) => p.id === it.ingredient)?.name ?? it.ingredient}
                <Mark>{k === items.length - 1 ? '.' : ','}</Mark>
              </Part>{' '}
            </span>
          ))}
        </Says>
      ) : null}
      {open ? children : null}
    </>
  );
}
