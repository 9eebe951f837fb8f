import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';
import type { Catalog, Schemas } from '../api/client';
import { Button } from '../ui/Button';
import { Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { Figures } from './Figures';
import { shelvesOf } from './uses';

type Ingredient = Schemas['Ingredient'];

const Wall = styled.div`
  display: grid;
  gap: 18px;
`;

// A board, and what stands on it.
const Board = styled.section`
  h2 {
    font-size: 17px;
  }
  ul {
    display: flex;
    flex-wrap: wrap;
    gap: 10px 4px;
    list-style: none;
    margin: 0;
    padding: 6px 8px 0;
    border-bottom: 6px solid var(--line);
    border-radius: 0 0 4px 4px;
  }
`;

const One = styled(AriaButton)`
  display: grid;
  justify-items: center;
  align-content: start;
  gap: 4px;
  width: 96px;
  height: 100%;
  padding: 6px 2px 0;
  border: 0;
  border-radius: 10px 10px 0 0;
  background: none;
  color: var(--ink);
  font-size: 13px;
  line-height: 1.2;
  text-align: center;
  cursor: pointer;
  &[data-hovered],
  &[aria-expanded='true'] {
    background: var(--lemon-wash);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
    outline-offset: -2px;
  }
  &[data-own] b {
    text-decoration: underline 2px var(--lemon);
    text-underline-offset: 4px;
  }
  b {
    font-weight: 600;
    overflow-wrap: anywhere;
  }
`;

const Legend = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  list-style: none;
  margin: 0 0 12px;
  padding: 0;
  color: var(--quiet);
  font-size: 14px;
  i {
    display: inline-block;
    width: 12px;
    height: 12px;
    margin-right: 6px;
    border-radius: 3px;
    border: 1px solid var(--line);
    vertical-align: -1px;
  }
`;

/** What is in it, from the bottom up, each with its colour. */
const layers: { name: string; colour: string; of: (i: Ingredient) => number }[] = [
  { name: 'salt', colour: 'var(--core-wash)', of: (i) => i.salt },
  { name: 'sugar', colour: 'var(--crust)', of: (i) => i.sugar },
  { name: 'starch', colour: 'var(--board)', of: (i) => Math.max(0, i.carb - i.sugar) },
  { name: 'fat', colour: 'var(--lemon)', of: (i) => i.fat },
  { name: 'protein', colour: 'var(--pot)', of: (i) => i.protein },
  { name: 'acid', colour: 'var(--hold)', of: (i) => i.acid },
];

const FULL = 52;

/** A jar with what is in 100 g, the rest being water and what has no figure. */
function Jar({ of }: { of: Ingredient }) {
  const parts = layers.map((l) => ({ ...l, g: l.of(of) }));
  const top = (k: number) =>
    60 -
    (FULL *
      Math.min(
        100,
        parts.slice(0, k).reduce((sum, p) => sum + p.g, 0),
      )) /
      100;
  return (
    <svg width="44" height="66" viewBox="0 0 44 66" aria-hidden>
      <rect x="4" y="8" width="36" height={FULL} rx="5" fill="var(--surface)" />
      {parts.map((p, k) =>
        p.g > 0.5 ? (
          <rect
            key={p.name}
            x="4"
            width="36"
            y={top(k + 1)}
            height={Math.max(0, top(k) - top(k + 1))}
            fill={p.colour}
          />
        ) : null,
      )}
      <path d="M9 8h26q5 2 5 7v40q0 5-5 5H9q-5 0-5-5V15q0-5 5-7z" fill="none" stroke="var(--ink)" strokeWidth="1.8" />
      <rect x="11" y="2" width="22" height="6" rx="2" fill="var(--ink)" />
    </svg>
  );
}

interface Props {
  ingredients: Ingredient[];
  /** Those with figures of the household's own. */
  own: Record<string, number>;
  catalog: Catalog;
  save: (i: Ingredient) => void;
  back: (i: Ingredient) => void;
}

/** The pantry as it stands on its shelves; a jar opens its figures. */
export function Shelves({ ingredients, own, catalog, save, back }: Props) {
  return (
    <>
      <Legend aria-label="What a jar shows of 100 g">
        {layers.map((l) => (
          <li key={l.name}>
            <i style={{ background: l.colour }} />
            {l.name}
          </li>
        ))}
      </Legend>
      <Wall>
        {shelvesOf(ingredients).map(({ name, those }) => (
          <Board key={name} aria-label={name}>
            <h2>{name}</h2>
            <ul>
              {those.map((i) => (
                <li key={i.id}>
                  <Pop
                    title={i.name}
                    body={(close) => (
                      <>
                        <Figures of={i} catalog={catalog} save={save} />
                        {i.allergens?.length ? <Quiet>Holds {i.allergens.join(', ')}.</Quiet> : null}
                        {i.instead ? <Quiet>In its place: {i.instead}.</Quiet> : null}
                        {i.id in own ? (
                          <Button
                            onPress={() => {
                              close();
                              back(i);
                            }}
                          >
                            {i.id.startsWith('own-') ? 'Take it out' : 'As it ships'}
                          </Button>
                        ) : (
                          <Quiet>From: {i.source}.</Quiet>
                        )}
                      </>
                    )}
                  >
                    <One data-own={i.id in own || undefined}>
                      <Jar of={i} />
                      <b>{i.name}</b>
                      {i.id in own ? <span className="quietly">, with figures of your own</span> : null}
                    </One>
                  </Pop>
                </li>
              ))}
            </ul>
          </Board>
        ))}
      </Wall>
    </>
  );
}
