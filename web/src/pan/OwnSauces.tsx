import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';
import type { Catalog, Schemas } from '../api/client';
import { useSauces } from '../api/queries';
import { Button } from '../ui/Button';
import { Spoon } from './Spoon';
import { called } from './thick';
import type { Serving } from './usePan';

const Box = styled.section`
  margin: 14px 2px;
`;

const Cards = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
`;

const One = styled(AriaButton)`
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 8px 16px 8px 10px;
  border: 1px solid var(--line);
  border-radius: 14px;
  background: var(--surface);
  color: var(--ink);
  text-align: start;
  font-size: 15px;
  svg {
    width: 40px;
    height: 52px;
  }
  b {
    display: block;
    font-weight: 650;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
    outline-offset: 2px;
  }
`;

/** As many as are seen at once beside a sauce that is on already. */
const FIRST = 2;

interface Props {
  /** What is on the dish already, by name. */
  here: string[];
  usual: Serving;
  catalog: Catalog;
  add: (s: Serving) => void;
}

/** How thick a sauce is cooked, as a spoon shows it; one that is stirred cold has no look of its own. */
function lookOf(sauce: Schemas['Sauce'], catalog: Catalog): { clingsG: number; says: string } | undefined {
  if (sauce.school === 'mix') return undefined;
  const clingsG = sauce.clingsG ?? catalog.pan.usual.sauce.clingsG ?? 0;
  return { clingsG, says: called(catalog.pan.levels, clingsG) };
}

/** The household's own sauces as they look on a spoon; a tap puts one on the dish. */
export function OwnSauces({ here, usual, catalog, add }: Props) {
  const own = useSauces();
  const [all, setAll] = useState(here.length === 0);
  const others = (own.data ?? []).filter((s) => !here.includes(s.name));
  return (
    <Box aria-label="Sauces of your own">
      <Cards>
        {(all ? others : others.slice(0, FIRST)).map((s) => {
          const look = lookOf(s.sauce, catalog);
          return (
            <One
              key={s.id}
              onPress={() => add({ name: s.name, sauce: s.sauce, how: s.sauce.school === 'mix' ? 'beside' : 'toss' })}
            >
              <Spoon clingsG={look?.clingsG ?? 0} drops={look ? 1 : 0} />
              <b>{s.name}</b>
              <span className="quietly">, {look?.says ?? 'stirred cold'}</span>
            </One>
          );
        })}
        {others.length > FIRST && !all ? <Button onPress={() => setAll(true)}>All {others.length}</Button> : null}
        <Button onPress={() => add({ name: '', sauce: { school: usual.sauce.school, items: [] } })}>
          <Plus size={18} aria-hidden /> An empty pan
        </Button>
      </Cards>
    </Box>
  );
}
