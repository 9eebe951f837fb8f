import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Input, Label, SearchField } from 'react-aria-components';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { dropIngredient, keepIngredient, useCatalog, usePantry } from '../api/queries';
import { at } from '../theme/tokens';
import { Button } from '../ui/Button';
import { fieldBox, labelled } from '../ui/field';
import { Blank, Card, Page, Quiet, Title } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { complain, say } from '../ui/toast';
import { Figures, fields, NewIngredient } from './Figures';

type Ingredient = Schemas['Ingredient'];

const Find = styled(SearchField)`
  ${labelled}
  flex: 0 1 340px;
  input {
    ${fieldBox}
  }
`;

const Tools = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 10px;
  margin: 12px 0;
  > button {
    min-height: 46px;
  }
`;

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 12px;
  ${at.phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const One = styled(Card)`
  display: grid;
  gap: 5px;
  height: 100%;
  align-content: start;
  h2 {
    font-size: 17px;
  }
`;

const Line = styled.p`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  font-size: 14.5px;
`;

const Small = styled(Quiet)`
  font-size: 13.5px;
`;

/** The ingredients: what is in them, what a spoon of them weighs, and where that is from. */
export default function PantryPage() {
  const pantry = usePantry();
  const catalog = useCatalog();
  const queries = useQueryClient();
  const [search, setSearch] = useState('');
  useEffect(() => {
    document.title = 'Pantry · Velocrustum';
  }, []);
  if (pantry.isError)
    return (
      <Page>
        <Blank title="The pantry could not be had">
          <Quiet>{pantry.error.message}</Quiet>
          <Button onPress={() => void pantry.refetch()}>Try again</Button>
        </Blank>
      </Page>
    );
  const ships = (i: Ingredient) => !i.id.startsWith('own-');
  const again = () => queries.invalidateQueries({ queryKey: ['pantry'] });
  const save = (i: Ingredient) => keepIngredient(queries, { ...i, source: 'your own' });
  const back = async (i: Ingredient) => {
    try {
      await dropIngredient(i.id);
      await again();
      say(ships(i) ? `${i.name} is as it ships.` : `${i.name} is out of the pantry.`, {
        label: 'Bring mine back',
        run: () => save(i),
      });
    } catch (cause) {
      complain(cause);
    }
  };
  const wanted = search.trim().toLowerCase();
  const found = (pantry.data?.ingredients ?? []).filter((i) => `${i.name} ${i.role}`.toLowerCase().includes(wanted));
  return (
    <Page>
      <Title>Pantry</Title>
      <Quiet>
        What is in 100 g, and what a spoon of it weighs. Put in what stands on your own labels; the bench counts with
        it.
      </Quiet>
      <Tools>
        <Find value={search} onChange={setSearch}>
          <Label>Find</Label>
          <Input placeholder="soy, flour, acid…" />
        </Find>
        <NewIngredient
          taken={pantry.data?.ingredients ?? []}
          save={(i) => {
            save(i);
            setSearch(i.name);
          }}
        />
      </Tools>
      {pantry.data ? null : <Quiet role="status">Opening it…</Quiet>}
      {pantry.data && found.length === 0 ? <Quiet>Nothing is called that.</Quiet> : null}
      <List>
        {found.map((i) => {
          const own = i.id in (pantry.data?.own ?? {});
          return (
            <li key={i.id}>
              <One aria-label={i.name}>
                <h2>{i.name}</h2>
                <Line>
                  {fields
                    .filter((f) => i[f.key] > 0)
                    .map((f) => (
                      <span key={f.key}>
                        {f.name.split(',')[0]?.toLowerCase()} <b>{i[f.key]} g</b>
                      </span>
                    ))}
                  <span>
                    a teaspoon <b>{(i.density * 5).toFixed(1)} g</b>
                  </span>
                </Line>
                {i.instead ? <Small>In its place: {i.instead}.</Small> : null}
                {i.allergens?.length ? <Small>Holds {i.allergens.join(', ')}.</Small> : null}
                <Small>{own ? 'Your own figures.' : i.source}</Small>
                <div>
                  {catalog.data ? (
                    <Pop title={i.name} body={<Figures of={i} catalog={catalog.data} save={(v) => save(v)} />}>
                      <Button>Change</Button>
                    </Pop>
                  ) : null}{' '}
                  {own ? (
                    <Button onPress={() => void back(i)}>{ships(i) ? 'As it ships' : 'Take it out'}</Button>
                  ) : null}
                </div>
              </One>
            </li>
          );
        })}
      </List>
    </Page>
  );
}
