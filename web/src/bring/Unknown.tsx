import { useQueryClient } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import styled from 'styled-components';
import { ask, client, type Catalog, type Schemas } from '../api/client';
import { Figures, roles } from '../pantry/Figures';
import { Button, MainButton } from '../ui/Button';
import { Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { Labelled, Select } from '../ui/Select';
import { complain } from '../ui/toast';

type Unknown = Schemas['UnknownIngredient'];

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin: 8px 0;
`;

interface Props {
  unknown: Unknown[];
  catalog: Catalog;
  /** Reads the recipe anew, with this one in the pantry. */
  added: (u: Unknown) => void;
}

/** What the pantry lacks, each offered as an ingredient of one's own that waits for its figures. */
export function UnknownIngredients({ unknown, catalog, added }: Props) {
  return (
    <>
      <Quiet>
        Not in the pantry. Choose on its line what to take instead, or put it in with what its label says; it is left
        out until then.
      </Quiet>
      <Row role="group" aria-label="Not in the pantry">
        {unknown.map((u) => (
          <One key={u.line} unknown={u} catalog={catalog} added={added} />
        ))}
      </Row>
    </>
  );
}

function One({ unknown, catalog, added }: { unknown: Unknown } & Omit<Props, 'unknown'>) {
  const queries = useQueryClient();
  const [own, setOwn] = useState(unknown.ingredient);
  // It has to be there before the recipe is read anew.
  const keep = async () => {
    try {
      await ask(client.PUT('/pantry/{id}', { params: { path: { id: own.id } }, body: { ...own, source: 'your own' } }));
      await queries.invalidateQueries({ queryKey: ['pantry'] });
      return true;
    } catch (cause) {
      complain(cause);
      return false;
    }
  };
  return (
    <Pop
      title={`${own.name}, an ingredient of your own`}
      width={440}
      body={(close) => (
        <>
          <Quiet>Not known, and counted as none until you say it: {unknown.missing.join(', ')}.</Quiet>
          <Labelled>
            What it is there for
            <Select value={own.role} onChange={(e) => setOwn({ ...own, role: e.target.value })}>
              {roles.map((r) => (
                <option key={r.id} value={r.id}>
                  {r.name}
                </option>
              ))}
            </Select>
          </Labelled>
          <Figures of={own} catalog={catalog} save={setOwn} />
          <MainButton
            onPress={() => {
              void keep().then((kept) => {
                if (!kept) return;
                close();
                added({ ...unknown, ingredient: own });
              });
            }}
          >
            Put it in the pantry
          </MainButton>
        </>
      )}
    >
      <Button>
        <Plus size={16} aria-hidden /> {own.name}
      </Button>
    </Pop>
  );
}
