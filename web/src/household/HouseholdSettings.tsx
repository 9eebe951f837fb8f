import { useQueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { SwitchField } from 'react-aria-components';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { Catalog, Settings } from '../api/client';
import { limitOf, within } from '../api/limits';
import { changeSettings, useCatalog, useSettings } from '../api/queries';
import { unitsOf } from '../format/units';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Knob } from '../ui/Knob';
import { Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { LikedColour, LikedCrust, useLikedWords } from './Liked';
import { Line, Part } from '../ui/sentence';
import { Stepper } from '../ui/Stepper';

const Small = styled(Quiet)`
  font-size: 14px;
`;

type Set = (change: Partial<Settings>) => void;

function useSet(): Set {
  const queries = useQueryClient();
  return (change) => changeSettings(queries, change);
}

interface InKitchen extends Props {
  catalog: Catalog;
}

interface Props {
  data: Settings;
  set: Set;
}

const Temperature = ({ data, set }: Props) => (
  <Choice
    label="Temperature"
    row
    options={[
      { id: 'C', name: '°C' },
      { id: 'F', name: '°F' },
    ]}
    value={data.temperature}
    onChange={(temperature) => set({ temperature })}
  />
);

const Weight = ({ data, set }: Props) => (
  <Choice
    label="Weight"
    row
    options={[
      { id: 'g', name: 'grams' },
      { id: 'oz', name: 'ounces' },
    ]}
    value={data.mass}
    onChange={(mass) => set({ mass })}
  />
);

const Spoons = ({ data, set }: Props) => (
  <Choice
    label="Spoons and cups"
    row
    options={[
      { id: 'metric', name: 'Metric', note: '15 and 250 ml' },
      { id: 'us', name: 'US', note: '14.8 and 237 ml' },
      { id: 'au', name: 'Australian', note: '20 and 250 ml' },
    ]}
    value={data.spoons}
    onChange={(spoons) => set({ spoons })}
  />
);

function Safe({ data, set }: Props) {
  const catalog = useCatalog();
  const units = unitsOf(data);
  return (
    <>
      <Choice
        label="What counts as safe"
        options={(catalog.data?.guidances ?? []).map((g) => ({ id: g.id as Settings['guidance'], name: g.name }))}
        value={data.guidance}
        onChange={(guidance) => set({ guidance })}
      />
      {data.guidance === 'stricter' && catalog.data ? (
        <Stepper
          label="My own minimum"
          value={units.heat.to(data.guidanceC)}
          {...units.heat.stepper(limitOf(catalog.data, 'guidanceC'))}
          onChange={(d) => set({ guidanceC: units.heat.from(d) })}
        />
      ) : null}
      <Small>
        Local rules and medical advice come first. For pregnant people, small children, the old and the ill, stay with
        the higher figure.
      </Small>
    </>
  );
}

const Switches = ({ data, set }: Props) => (
  <>
    <SwitchField isSelected={data.chime} onChange={(chime) => set({ chime })}>
      <Knob>Chime when something is due</Knob>
    </SwitchField>
    <SwitchField isSelected={data.shortcuts} onChange={(shortcuts) => set({ shortcuts })}>
      <Knob>Single-letter keys</Knob>
    </SwitchField>
  </>
);

const Height = ({ data, set, catalog }: InKitchen) => (
  <>
    <Stepper
      label="Above the sea, m"
      value={data.aboveSeaM ?? 0}
      {...within(catalog, 'fryer.aboveSeaM')}
      onChange={(aboveSeaM) => set({ aboveSeaM })}
    />
    <Small>The higher, the sooner water boils and the less the air of a fryer gives: all takes longer.</Small>
  </>
);

function Fridge({ data, set, catalog }: InKitchen) {
  const { heat } = unitsOf(data);
  const { fridgeAirC, fridgeSays } = catalog.usual;
  const measured = typeof data.fridgeC === 'number';
  return (
    <>
      <Stepper
        label="In the fridge"
        value={heat.to(data.fridgeC ?? fridgeAirC)}
        {...heat.stepper(limitOf(catalog, 'fryer.fridgeC'))}
        onChange={(d) => set({ fridgeC: heat.from(d) })}
      />
      {fridgeSays ? <p role="alert">{fridgeSays}</p> : null}
      <Small>
        Leave a thermometer in a glass of water there overnight. What comes out of the fridge starts from that, and what
        is salted or marinated takes longer in a colder one.
        {measured ? null : ' Nobody has measured it yet: it is taken for what most are.'}
      </Small>
      {measured ? <Button onPress={() => set({ fridgeC: null })}>Nobody measured it</Button> : null}
    </>
  );
}

function Thermometer({ data, set, catalog }: InKitchen) {
  const { warmer, temperature } = unitsOf(data);
  return (
    <>
      <Stepper
        label="The thermometer reads too high by"
        value={warmer.to(data.thermometerC ?? 0)}
        {...warmer.stepper(limitOf(catalog, 'thermometerC'))}
        onChange={(d) => set({ thermometerC: warmer.from(d) })}
      />
      <Small>
        Try it in crushed ice with a little water: what it reads over {temperature(0)} is that figure. Its readings are
        put right by it before they count.
      </Small>
    </>
  );
}

const fridgeWords = (data: Settings) =>
  typeof data.fridgeC === 'number' ? `at ${unitsOf(data).temperature(data.fridgeC)}` : 'as cold as most';

const thermometerWords = (data: Settings) => {
  const { warmer } = unitsOf(data);
  const off = data.thermometerC ?? 0;
  return off === 0 ? 'reads right' : `reads ${warmer.words(Math.abs(off))} too ${off > 0 ? 'high' : 'low'}`;
};

const spoonWords: Record<Settings['spoons'], string> = { metric: 'metric', us: 'US', au: 'Australian' };

/** How this household reads, as one sentence whose parts are choices. */
export function HouseholdSentence() {
  const { data } = useSettings();
  const catalog = useCatalog().data;
  const set = useSet();
  const liked = useLikedWords(data);
  if (!data || !catalog) return null;
  const inKitchen = { data, set, catalog };
  const rule = catalog.guidances.find((g) => g.id === data.guidance)?.says ?? 'its rule';
  const said = data.guidance === 'stricter' ? `${rule}, ${unitsOf(data).temperature(data.guidanceC)}` : rule;
  const part = (title: string, body: ReactNode, words: string) => (
    <Pop title={title} body={body}>
      <Part>{words}</Part>
    </Pop>
  );
  return (
    <Line>
      Here it is read in {part('Temperature', <Temperature {...{ data, set }} />, `°${data.temperature}`)} and{' '}
      {part('Weight', <Weight {...{ data, set }} />, data.mass === 'g' ? 'grams' : 'ounces')}, spooned by{' '}
      {part('Spoons and cups', <Spoons {...{ data, set }} />, `${spoonWords[data.spoons]} spoons`)}, and safe by{' '}
      {part('What counts as safe', <Safe {...{ data, set }} />, said)}. What is due{' '}
      {part('Chime and keys', <Switches {...{ data, set }} />, data.chime ? 'chimes' : 'is shown without a sound')}. The
      kitchen stands {part('The kitchen', <Height {...inKitchen} />, `${data.aboveSeaM ?? 0} m above the sea`)}, its
      fridge {part('The fridge', <Fridge {...inKitchen} />, fridgeWords(data))}, and its thermometer{' '}
      {part('The thermometer', <Thermometer {...inKitchen} />, thermometerWords(data))}.
      {liked ? (
        <>
          {' '}
          We like {part('The crust that is liked', <LikedCrust {...{ data, set }} />, liked.crust)},{' '}
          {part('The colour that is liked', <LikedColour {...{ data, set }} />, liked.colour)}.
        </>
      ) : null}
    </Line>
  );
}

/** Units, the rule for "safe", chime and keys. */
function UnitsAndRules() {
  const { data } = useSettings();
  const set = useSet();
  const catalog = useCatalog().data;
  if (!data || !catalog) return null;
  return (
    <>
      <Temperature {...{ data, set }} />
      <Weight {...{ data, set }} />
      <Spoons {...{ data, set }} />
      <Safe {...{ data, set }} />
      <Switches {...{ data, set }} />
      <Height {...{ data, set, catalog }} />
      <Fridge {...{ data, set, catalog }} />
      <Thermometer {...{ data, set, catalog }} />
      <LikedCrust {...{ data, set }} />
      <LikedColour {...{ data, set }} />
    </>
  );
}

/** The household's units at hand on every page, and the way to the rest of it. */
export function HouseholdSettings() {
  const { data } = useSettings();
  if (!data) return null;
  return (
    <Pop
      title="Units and rules"
      body={(close) => (
        <>
          <UnitsAndRules />
          <Link to="/household" onClick={close}>
            Phones, and a household to look around in
          </Link>
        </>
      )}
    >
      <Button aria-label={`°${data.temperature} · ${data.mass}: units and rules`}>
        °{data.temperature} · {data.mass}
      </Button>
    </Pop>
  );
}
