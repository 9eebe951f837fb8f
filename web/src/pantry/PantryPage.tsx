import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Input, Label, SearchField } from 'react-aria-components';
import { useSearchParams } from 'react-router';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { dropIngredient, keepIngredient, useCatalog, usePantry } from '../api/queries';
import { Button } from '../ui/Button';
import { fieldBox, labelled } from '../ui/field';
import { Stays } from '../household/Stays';
import { Blank, Page, Quiet, Title } from '../ui/layout';
import { complain, say } from '../ui/toast';
import { NewIngredient } from './Figures';
import { Sheet } from './Sheet';
import { Shelves } from './Shelves';
import { Tabs } from '../ui/Tabs';

type Ingredient = Schemas['Ingredient'];

const Find = styled(SearchField)`
  ${labelled}
  flex: 0 1 340px;
  min-width: 0;
  max-width: 100%;
  input {
    ${fieldBox}
    width: 100%;
    min-width: 0;
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

/** The ingredients: what is in them, what a spoon of them weighs, and where that is from. */
export default function PantryPage() {
  const pantry = usePantry();
  const catalog = useCatalog();
  const queries = useQueryClient();
  const [search, setSearch] = useState('');
  const [asked, setAsked] = useSearchParams();
  const view = asked.has('figures') ? 1 : 0;
  const setView = (k: number) => setAsked(k === 1 ? { figures: '' } : {}, { replace: true });
  useEffect(() => {
    document.title = 'Pantry · Velocrustum';
  }, []);
  if (pantry.isError && pantry.data === undefined)
    return (
      <Page>
        <Blank title="The pantry could not be had">
          <Quiet>{pantry.error.message}</Quiet>
          <Button onPress={() => void pantry.refetch()}>Try again</Button>
        </Blank>
      </Page>
    );
  const ships = (i: Ingredient) => !i.id.startsWith('own-');
  const save = (i: Ingredient) => keepIngredient(queries, { ...i, source: 'your own' });
  const back = async (i: Ingredient) => {
    try {
      await dropIngredient(i.id);
      await queries.invalidateQueries({ queryKey: ['pantry'] });
      say(ships(i) ? `${i.name} is as it ships.` : `${i.name} is out of the pantry.`, {
        label: 'Bring mine back',
        run: () => save(i),
      });
    } catch (cause) {
      complain(cause);
    }
  };
  const View = view === 0 ? Shelves : Sheet;
  const wanted = search.trim().toLowerCase();
  const found = (pantry.data?.ingredients ?? []).filter((i) =>
    `${i.name} ${i.role} ${i.form ?? ''} ${(i.allergens ?? []).join(' ')}`.toLowerCase().includes(wanted),
  );
  return (
    <Page>
      <Stays />
      <Title>Pantry</Title>
      <Quiet>
        What is in each, of 100 g. Put in what stands on your own labels: the bench and the pan count with it.
      </Quiet>
      <Tools>
        <Find value={search} onChange={setSearch}>
          <Label>Find</Label>
          <Input placeholder="soy, flour, acid, sesame…" />
        </Find>
        <Tabs label="How it is shown" tabs={['Shelves', 'All figures']} shown={view} show={setView} />
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
      {catalog.data && found.length > 0 ? (
        <View
          ingredients={found}
          own={pantry.data?.own ?? {}}
          catalog={catalog.data}
          save={save}
          back={(i) => void back(i)}
        />
      ) : null}
    </Page>
  );
}
