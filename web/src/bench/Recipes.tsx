import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { dropMarinade, keepMarinade, useMarinades } from '../api/queries';
import { Button } from '../ui/Button';
import { KeepAs } from '../ui/KeepAs';
import { Select } from '../ui/Select';
import { complain, say } from '../ui/toast';

type Marinade = Schemas['Marinade'];
type Recipe = Schemas['MarinadeRecipe'];

const Buttons = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`;

interface Props {
  marinade: Marinade;
  massG: number;
  take: (m: Marinade) => void;
}

/** The household's own marinades: taken for this weight, kept under a name, forgotten. */
export function Recipes({ marinade, massG, take }: Props) {
  const own = useMarinades();
  const queries = useQueryClient();
  const [taken, setTaken] = useState('');
  const again = () => queries.invalidateQueries({ queryKey: ['marinades'] });
  const known = own.data ?? [];
  const whole = { ...marinade, forG: marinade.forG ?? massG };
  const now = known.find((r) => r.id === taken);
  const keep = (recipe: Parameters<typeof keepMarinade>[1]) => {
    setTaken(keepMarinade(queries, recipe).id);
    say(`${recipe.name} is kept.`);
  };
  const forget = async (recipe: Recipe) => {
    try {
      await dropMarinade(recipe.id);
      await again();
      setTaken('');
      say(`${recipe.name} is forgotten.`, { label: 'Bring it back', run: () => keep({ ...recipe, version: 0 }) });
    } catch (cause) {
      complain(cause);
    }
  };
  return (
    <>
      {known.length > 0 ? (
        <label>
          <span className="quietly">One of your own</span>
          <Select
            value={taken}
            onChange={(e) => {
              const found = known.find((r) => r.id === e.target.value);
              setTaken(e.target.value);
              if (found) take(found.marinade);
            }}
          >
            <option value="">One of your own…</option>
            {known.map((r) => (
              <option key={r.id} value={r.id}>
                {r.name}
              </option>
            ))}
          </Select>
        </label>
      ) : null}
      {marinade.items.length > 0 ? (
        <Buttons>
          {now && JSON.stringify(now.marinade) !== JSON.stringify(whole) ? (
            <Button onPress={() => keep({ ...now, marinade: whole })}>Keep it as {now.name}</Button>
          ) : null}
          <KeepAs what="this marinade" keep={(name) => keep({ name, marinade: whole })} />
          {now ? <Button onPress={() => void forget(now)}>Forget {now.name}</Button> : null}
        </Buttons>
      ) : null}
    </>
  );
}
