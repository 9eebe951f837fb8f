import { Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import type { Units } from '../format/units';
import { IconButton } from '../ui/Button';
import { Quiet } from '../ui/layout';
import { Select } from '../ui/Select';
import { Amount } from './Amount';
import { Swaps } from './Swaps';

type Item = Schemas['Item'];

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 240px), 1fr));
  gap: 10px 16px;
`;

const Row = styled.li`
  display: flex;
  align-items: end;
  gap: 8px;
`;

const Under = styled(Quiet)`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 6px 10px;
  margin-top: 5px;
  font-size: 14px;
`;

/** The items with one replaced by others; what is there already grows. */
function swapped(items: Item[], at: number, more: Item[]): Item[] {
  const rest = items.filter((_, k) => k !== at);
  const grown = rest.map((it) => ({ ...it, g: it.g + (more.find((m) => m.ingredient === it.ingredient)?.g ?? 0) }));
  const fresh = more.filter((m) => !rest.some((it) => it.ingredient === m.ingredient));
  return [...grown.slice(0, at), ...fresh, ...grown.slice(at)];
}

interface Props {
  label: string;
  items: Item[];
  pantry: Schemas['Ingredient'][];
  /** In the household's spoons, and what could stand in, by ingredient. */
  answer: { measures: Record<string, string>; swaps: Record<string, Schemas['Swap'][]> };
  units: Units;
  /** What more there is to say of one, by its place. */
  more?: (at: number) => ReactNode;
  onChange: (items: Item[]) => void;
}

/** A recipe's ingredients with their amounts; what could stand in for each. */
export function Items({ label, items, pantry, answer, units, more, onChange }: Props) {
  return (
    <>
      <List aria-label={label}>
        {items.map((it, i) => {
          const known = pantry.find((p) => p.id === it.ingredient);
          return (
            <li key={`${it.ingredient}${i}`}>
              <Row as="div">
                <Amount
                  label={known?.name ?? it.ingredient}
                  ingredient={it.ingredient}
                  g={it.g}
                  units={units}
                  onChange={(g) => onChange(items.map((o, k) => (k === i ? { ...o, g } : o)))}
                />
                <IconButton
                  label={`Leave out ${known?.name ?? it.ingredient}`}
                  onPress={() => onChange(items.filter((_, k) => k !== i))}
                >
                  <Trash2 size={17} aria-hidden />
                </IconButton>
              </Row>
              <Under>
                {more ? more(i) : (answer.measures[it.ingredient] ?? '')}
                <Swaps
                  name={known?.name ?? it.ingredient}
                  swaps={answer.swaps[it.ingredient] ?? []}
                  note={known?.instead}
                  take={(more) => onChange(swapped(items, i, more))}
                />
              </Under>
            </li>
          );
        })}
      </List>
      <label>
        <span className="quietly">Add to {label.toLowerCase()}</span>
        <Select
          value=""
          onChange={(e) => {
            const found = pantry.find((p) => p.id === e.target.value);
            if (found)
              onChange([
                ...items,
                {
                  ingredient: found.id,
                  g: Math.round(((found.role === 'acid' ? 0 : found.each) || found.density * 15) * 10) / 10,
                },
              ]);
          }}
        >
          <option value="">Add an ingredient…</option>
          {pantry
            .filter((p) => !items.some((it) => it.ingredient === p.id))
            .map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
        </Select>
      </label>
    </>
  );
}
