import { useQueryClient } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import type { Catalog, Fryer, FryerInput } from '../api/client';
import { deleteFryer, fryerVersion, restoreFryer, saveFryer, useCatalog, useFryers, useSettings } from '../api/queries';
import { unitsOf, type Units } from '../format/units';
import { BasketView } from './BasketView';
import { at } from '../theme/tokens';
import { Button, IconButton } from '../ui/Button';
import { useHistory } from '../ui/history';
import { Stays } from '../household/Stays';
import { Blank, Card, Page, Quiet, Title } from '../ui/layout';
import { complain, say } from '../ui/toast';
import { KeptState } from '../ui/KeptState';
import { unsent, useKept } from '../ui/useKept';
import { AddFryer } from './AddFryer';
import { basketWords } from './basketWords';
import { known, type Change } from './change';
import { Curve } from './Curve';
import { FryerLine } from './FryerLine';
import { Learnt } from './Learnt';
import { usePortrait } from './usePortrait';

const Box = styled.section`
  margin-top: 22px;
  & + & {
    border-top: 1px solid var(--line);
    padding-top: 18px;
  }
`;

const Pictures = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 16px;
  ${at.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Picture = styled(Card)`
  display: grid;
  align-content: start;
  gap: 8px;
  h2 {
    font-size: 17px;
  }
  figure {
    margin: 0 auto;
    width: 100%;
    max-width: 250px;
  }
`;

const Wanted = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 6px;
  font-size: 14.5px;
  line-height: 1.4;
  li {
    border-left: 4px solid var(--lemon);
    padding-left: 10px;
  }
`;

const Row = styled.div`
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
`;

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px 20px;
`;

/** What of a fryer its owner says. */
function inputOf(f: Fryer): FryerInput {
  const input: Partial<Fryer> & FryerInput = { ...f };
  delete input.id;
  delete input.version;
  return input;
}

/** The machines, each with its basket to scale. */
export default function FryersPage() {
  const fryers = useFryers();
  const catalog = useCatalog();
  const settings = useSettings();
  useEffect(() => {
    document.title = 'Fryers · Velocrustum';
  }, []);
  if (fryers.isError && fryers.data === undefined)
    return (
      <Page>
        <Blank title="The fryers could not be had">
          <Quiet>{fryers.error.message}</Quiet>
          <Button onPress={() => void fryers.refetch()}>Try again</Button>
        </Blank>
      </Page>
    );
  const units = unitsOf(settings.data ?? { temperature: 'C', mass: 'g' });
  return (
    <Page>
      <Stays />
      <Head>
        <Title>Fryers</Title>
        {catalog.data ? <AddFryer catalog={catalog.data} /> : null}
      </Head>
      <Quiet>
        Times come from your machine, not from a chart. What is underlined can be changed; what nobody has measured yet
        is called about.
      </Quiet>
      {fryers.data && catalog.data ? (
        fryers.data.map((f) => (
          <OneFryer key={f.id} fryer={f} catalog={catalog.data} units={units} only={fryers.data.length === 1} />
        ))
      ) : (
        <Quiet role="status">Getting them…</Quiet>
      )}
    </Page>
  );
}

function OneFryer({ fryer, catalog, units, only }: { fryer: Fryer; catalog: Catalog; units: Units; only: boolean }) {
  const queries = useQueryClient();
  const [saved] = useState(() => inputOf(fryer));
  const [version] = useState(fryer.version);
  const { history, edit, undo } = useHistory((unsent(fryer.id)?.input as FryerInput | undefined) ?? saved, fryer.id);
  const now = history.now;
  const named = now.name.trim() !== '';
  const set = (change: Change) =>
    edit(Object.keys(change).join(), ({ heatUpMin, ...f }) => ({
      ...f,
      ...known({ ...(heatUpMin === undefined ? {} : { heatUpMin }), ...change }),
      // What its owner has set is not inferred any more.
      inferred: (f.inferred ?? []).filter((name) => !(name in change)),
    }));
  const portrait = usePortrait(now, units.degree, fryer.id);
  const remove = async () => {
    try {
      await deleteFryer(fryer.id);
      queries.setQueryData<Fryer[]>(['fryers'], (all) => all?.filter((f) => f.id !== fryer.id));
      say(`${fryer.name} is put aside.`, {
        label: 'Bring it back',
        run: () => {
          restoreFryer(fryer.id).then(
            () => queries.invalidateQueries({ queryKey: ['fryers'] }),
            (cause: unknown) => complain(cause),
          );
        },
      });
    } catch (cause) {
      complain(cause);
    }
  };
  const kept = useKept({
    key: fryer.id,
    version,
    saved,
    now,
    possible: named,
    save: async (version, input) => {
      const fryerNow = await saveFryer(fryer.id, version, input);
      queries.setQueryData<Fryer[]>(['fryers'], (all) => all?.map((f) => (f.id === fryerNow.id ? fryerNow : f)));
      for (const key of ['learnt', 'portrait']) void queries.invalidateQueries({ queryKey: [key] });
      return fryerNow.version;
    },
    newest: () => fryerVersion(fryer.id),
  });

  const b = now.basket;
  const wanted = portrait?.wanted ?? [];
  return (
    <Box aria-label={now.name.trim() || fryer.name}>
      <FryerLine id={fryer.id} fryer={now} portrait={portrait} catalog={catalog} units={units} set={set} />
      <Pictures>
        <Picture>
          <h2>What {units.temperature(portrait?.dialC ?? 200)} on the dial is</h2>
          {portrait ? <Curve portrait={portrait} units={units} /> : <Quiet role="status">Heating it up…</Quiet>}
          {wanted.length > 0 ? (
            <>
              <h2>What would make it surer</h2>
              <Wanted>
                {wanted.map((w) => (
                  <li key={w.field}>{w.says}</li>
                ))}
              </Wanted>
            </>
          ) : null}
        </Picture>
        <Picture>
          <figure>
            <BasketView basket={b} label={`The ${basketWords(b, units)}`} scale={0.72} />
          </figure>
          <Quiet>{basketWords(b, units)}, to scale</Quiet>
          <Row>
            <Button isDisabled={history.past.length === 0} onPress={undo}>
              Undo
            </Button>
            {only ? null : (
              <IconButton label={`Delete ${fryer.name}`} onPress={() => void remove()}>
                <Trash2 size={17} aria-hidden />
              </IconButton>
            )}
            <KeptState kept={kept} instead={named ? undefined : 'Give it a name to keep it'} />
          </Row>
        </Picture>
      </Pictures>
      <Learnt id={fryer.id} fryer={now} units={units} set={set} />
    </Box>
  );
}
