import { Trash2 } from 'lucide-react';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { IconButton } from '../ui/Button';
import { Quiet } from '../ui/layout';
import { Amount } from './Amount';

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 10px;
`;

const Row = styled.li`
  display: flex;
  align-items: end;
  gap: 8px;
`;

export const Select = styled.select`
  min-height: 46px;
  width: 100%;
  padding: 0 10px;
  border: 1px solid var(--line);
  border-radius: 10px;
  background: var(--surface);
  color: var(--ink);
  font: inherit;
`;

const Small = styled(Quiet)`
  font-size: 13.5px;
`;

type Item = Schemas['Item'];

interface Props {
  label: string;
  items: Item[];
  pantry: Schemas['Ingredient'][];
  onChange: (items: Item[]) => void;
}

/** A recipe's ingredients with their amounts; what could stand in for each. */
export function Items({ label, items, pantry, onChange }: Props) {
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
                  onChange={(g) => onChange(items.map((o, k) => (k === i ? { ...o, g } : o)))}
                />
                <IconButton
                  label={`Leave out ${known?.name ?? it.ingredient}`}
                  onPress={() => onChange(items.filter((_, k) => k !== i))}
                >
                  <Trash2 size={17} aria-hidden />
                </IconButton>
              </Row>
              {known?.instead ? <Small>None in? {known.instead}.</Small> : null}
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
                { ingredient: found.id, g: Math.round((found.each || found.density * 15) * 10) / 10 },
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
