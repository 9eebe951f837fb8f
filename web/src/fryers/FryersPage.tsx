import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Input, Label, TextField } from 'react-aria-components';
import styled from 'styled-components';
import type { Catalog, Fryer, FryerInput } from '../api/client';
import { saveFryer, useCatalog, useFryers, useSettings } from '../api/queries';
import { unitsOf, type Units } from '../format/units';
import { BasketView } from '../plan/BasketView';
import { basketWords } from '../plan/OrderLine';
import { at } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { fieldBox, labelled } from '../ui/field';
import { useHistory } from '../ui/history';
import { Blank, Card, Page, Quiet, Title } from '../ui/layout';
import { Stepper } from '../ui/Stepper';
import { unsent, useKept } from '../ui/useKept';

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

function inputOf(f: Fryer): FryerInput {
  const { name, kind, basket, powerW, airflow, dialOffsetC, dialMinC, dialMaxC, dialStepC } = f;
  return { name, kind, basket, powerW, airflow, dialOffsetC, dialMinC, dialMaxC, dialStepC };
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
      <Title>Fryers</Title>
      <Quiet>
        Times come from your machine, not from a chart. Measure the basket inside; the rest stands on the label or is
        middling until you know better.
      </Quiet>
      {fryers.data && catalog.data ? (
        fryers.data.map((f) => <OneFryer key={f.id} fryer={f} catalog={catalog.data} units={units} />)
      ) : (
        <Quiet role="status">Getting them…</Quiet>
      )}
    </Page>
  );
}

function OneFryer({ fryer, catalog, units }: { fryer: Fryer; catalog: Catalog; units: Units }) {
  const queries = useQueryClient();
  const [saved] = useState(() => inputOf(fryer));
  const [version] = useState(fryer.version);
  const { history, edit, undo } = useHistory((unsent(fryer.id, fryer.version) as FryerInput | null) ?? saved);
  const now = history.now;
  const named = now.name.trim() !== '';
  const set = (change: Partial<FryerInput>) => edit(Object.keys(change).join(), (f) => ({ ...f, ...change }));
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
        <BasketView basket={b} label={`The ${basketWords(b)}`} scale={0.95} />
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
          onChange={(kind) => set({ kind })}
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
            label="Across, inside"
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
              label="Width, inside"
              unit="mm"
              value={b.widthMm ?? 230}
              min={100}
              max={600}
              step={5}
              onChange={(widthMm) => set({ basket: { ...b, widthMm } })}
            />
            <Stepper
              label="Depth, inside"
              unit="mm"
              value={b.depthMm ?? 230}
              min={100}
              max={600}
              step={5}
              onChange={(depthMm) => set({ basket: { ...b, depthMm } })}
            />
          </div>
        )}
        <Stepper
          label="Power, from the label"
          unit="W"
          value={now.powerW}
          min={600}
          max={3500}
          step={50}
          onChange={(powerW) => set({ powerW })}
        />
        <Stepper
          label="Airflow, 100 is middling"
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
          label="Dial starts at"
          unit={units.degree}
          value={units.toDegrees(now.dialMinC)}
          min={units.toDegrees(30)}
          max={units.toDegrees(150)}
          step={5}
          onChange={(v) => set({ dialMinC: Math.round(units.fromDegrees(v) * 10) / 10 })}
        />
        <Stepper
          label="Dial ends at"
          unit={units.degree}
          value={units.toDegrees(now.dialMaxC)}
          min={units.toDegrees(150)}
          max={units.toDegrees(240)}
          step={5}
          onChange={(v) => set({ dialMaxC: Math.round(units.fromDegrees(v) * 10) / 10 })}
        />
        <Stepper
          label="Dial steps"
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
