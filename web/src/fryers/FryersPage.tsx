import { useQueryClient } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Input, Label, TextField } from 'react-aria-components';
import styled from 'styled-components';
import type { Catalog, Fryer, FryerInput } from '../api/client';
import { deleteFryer, restoreFryer, saveFryer, useCatalog, useFryers, useSettings } from '../api/queries';
import { unitsOf, type Units } from '../format/units';
import { BasketView } from '../plan/BasketView';
import { basketWords } from '../plan/OrderLine';
import { at } from '../theme/tokens';
import { Button, IconButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { fieldBox, labelled } from '../ui/field';
import { useHistory } from '../ui/history';
import { Blank, Card, Page, Quiet, Title } from '../ui/layout';
import { Stepper } from '../ui/Stepper';
import { complain, say } from '../ui/toast';
import { unsent, useKept } from '../ui/useKept';
import { AddFryer } from './AddFryer';

const Box = styled(Card)`
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  gap: 28px;
  margin-top: 16px;
  padding: 20px;
  ${at.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Picture = styled.figure`
  margin: 0;
  max-width: 250px;
  width: 100%;
  figcaption {
    margin-top: 8px;
    color: var(--quiet);
    font-size: 15px;
  }
`;

const Fields = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(218px, 1fr));
  gap: 16px 20px;
  align-items: start;
`;

const Wide = styled.div`
  grid-column: 1 / -1;
`;

const Name = styled(TextField)`
  ${labelled}
  input {
    ${fieldBox}
    font-size: 18px;
    font-weight: 600;
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

function inputOf(f: Fryer): FryerInput {
  const { name, kind, basket, powerW, airflow, dialOffsetC, dialMinC, dialMaxC, dialStepC } = f;
  const { trays, drawers, rack, inferred } = f;
  const input = { name, kind, basket, powerW, airflow, dialOffsetC, dialMinC, dialMaxC, dialStepC };
  return { ...input, trays, drawers, rack, inferred };
}

/** The machines, each with its basket to scale. */
export default function FryersPage() {
  const fryers = useFryers();
  const catalog = useCatalog();
  const settings = useSettings();
  useEffect(() => {
    document.title = 'Fryers · Velocrustum';
  }, []);
  if (fryers.isError)
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
      <Head>
        <Title>Fryers</Title>
        <AddFryer />
      </Head>
      <Quiet>
        Times come from your machine, not from a chart. Measure the basket inside; the rest stands on the label or is
        middling until you know better.
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
  const { history, edit, undo } = useHistory((unsent(fryer.id, fryer.version) as FryerInput | null) ?? saved);
  const now = history.now;
  const named = now.name.trim() !== '';
  const set = (change: Partial<FryerInput>) =>
    edit(Object.keys(change).join(), (f) => ({
      ...f,
      ...change,
      // What its owner has set is not inferred any more.
      inferred: (f.inferred ?? []).filter(
        (name) => !(name in change) && !(name === 'dial' && Object.keys(change).some((k) => k.startsWith('dial'))),
      ),
    }));
  const guessed = now.inferred ?? [];
  const mark = (name: string, label: string) => (guessed.includes(name) ? `${label} (inferred)` : label);
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
      return fryerNow.version;
    },
  });

  const b = now.basket;
  const round = b.shape === 'round';
  const span = (c: number) => Math.round(units.degree === '°F' ? (c * 9) / 5 : c);
  const back = (d: number) => (units.degree === '°F' ? (d * 5) / 9 : d);
  return (
    <Box aria-label={now.name.trim() || fryer.name}>
      <Picture>
        <BasketView basket={b} label={`The ${basketWords(b)}`} scale={0.72} />
        <figcaption>{basketWords(b)}, to scale</figcaption>
      </Picture>
      <Fields>
        <Wide>
          <Row>
            <Name value={now.name} maxLength={60} onChange={(name) => set({ name })} isInvalid={!named}>
              <Label>Name</Label>
              <Input />
            </Name>
            <Button isDisabled={history.past.length === 0} onPress={undo}>
              Undo
            </Button>
            {only ? null : (
              <IconButton label={`Delete ${fryer.name}`} onPress={() => void remove()}>
                <Trash2 size={17} aria-hidden />
              </IconButton>
            )}
            <Quiet role="status">
              {named
                ? { kept: 'Kept', keeping: 'Keeping…', unsent: 'Kept on this device only' }[kept]
                : 'Give it a name to keep it'}
            </Quiet>
          </Row>
        </Wide>
        <Choice
          label="Kind"
          options={catalog.fryerKinds.map((k) => ({ id: k.id as FryerInput['kind'], name: k.name }))}
          value={now.kind}
          onChange={(kind) => set(kind === 'oven' ? { kind, drawers: 1, rack: false } : { kind, trays: 1 })}
        />
        <Choice
          label="Basket"
          options={[
            { id: 'rectangle', name: 'Square or oblong' },
            { id: 'round', name: 'Round' },
          ]}
          value={round ? 'round' : 'rectangle'}
          onChange={(shape) =>
            set({
              basket:
                shape === 'round'
                  ? { shape, diameterMm: b.diameterMm ?? Math.min(b.widthMm ?? 200, b.depthMm ?? 200) }
                  : { shape, widthMm: b.widthMm ?? b.diameterMm ?? 230, depthMm: b.depthMm ?? b.diameterMm ?? 230 },
            })
          }
        />
        {round ? (
          <Stepper
            label={mark('basket', 'Across, inside')}
            unit="mm"
            value={b.diameterMm ?? 200}
            min={100}
            max={600}
            step={5}
            onChange={(diameterMm) => set({ basket: { ...b, diameterMm } })}
          />
        ) : (
          <div>
            <Stepper
              label={mark('basket', 'Width, inside')}
              unit="mm"
              value={b.widthMm ?? 230}
              min={100}
              max={600}
              step={5}
              onChange={(widthMm) => set({ basket: { ...b, widthMm } })}
            />
            <Stepper
              label={mark('basket', 'Depth, inside')}
              unit="mm"
              value={b.depthMm ?? 230}
              min={100}
              max={600}
              step={5}
              onChange={(depthMm) => set({ basket: { ...b, depthMm } })}
            />
          </div>
        )}
        {now.kind === 'oven' ? (
          <Stepper
            label={mark('trays', 'Trays in use')}
            value={now.trays ?? 1}
            min={1}
            max={4}
            onChange={(trays) => set({ trays })}
          />
        ) : (
          <Choice
            label="In the drawer"
            options={[
              { id: 'plain', name: 'One basket' },
              { id: 'rack', name: 'With a rack', note: 'a second level' },
              { id: 'two', name: 'Two drawers', note: 'the size is that of one' },
            ]}
            value={(now.drawers ?? 1) > 1 ? 'two' : now.rack ? 'rack' : 'plain'}
            onChange={(v) => set({ drawers: v === 'two' ? 2 : 1, rack: v === 'rack' })}
          />
        )}
        <Stepper
          label={mark('powerW', 'Power, from the label')}
          unit="W"
          value={now.powerW}
          min={600}
          max={3500}
          step={50}
          onChange={(powerW) => set({ powerW })}
        />
        <Stepper
          label={mark('airflow', 'Airflow, 100 is middling')}
          unit="%"
          value={Math.round(now.airflow * 100)}
          min={30}
          max={200}
          step={5}
          onChange={(v) => set({ airflow: v / 100 })}
        />
        <Stepper
          label="Air over (+) or under (−) the dial"
          unit={units.degree}
          value={span(now.dialOffsetC)}
          min={span(-40)}
          max={span(40)}
          onChange={(v) => set({ dialOffsetC: Math.round(back(v) * 10) / 10 })}
        />
        <Stepper
          label={mark('dial', 'Dial starts at')}
          unit={units.degree}
          value={units.toDegrees(now.dialMinC)}
          min={units.toDegrees(30)}
          max={units.toDegrees(150)}
          step={5}
          onChange={(v) => set({ dialMinC: Math.round(units.fromDegrees(v) * 10) / 10 })}
        />
        <Stepper
          label={mark('dial', 'Dial ends at')}
          unit={units.degree}
          value={units.toDegrees(now.dialMaxC)}
          min={units.toDegrees(150)}
          max={units.toDegrees(240)}
          step={5}
          onChange={(v) => set({ dialMaxC: Math.round(units.fromDegrees(v) * 10) / 10 })}
        />
        <Stepper
          label={mark('dial', 'Dial steps')}
          unit={units.degree}
          value={span(now.dialStepC)}
          min={1}
          max={span(25)}
          onChange={(v) => set({ dialStepC: Math.round(back(v) * 10) / 10 })}
        />
      </Fields>
    </Box>
  );
}
