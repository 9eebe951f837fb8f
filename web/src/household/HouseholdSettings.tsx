import { useQueryClient } from '@tanstack/react-query';
import { SwitchField } from 'react-aria-components';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { Settings } from '../api/client';
import { limitOf } from '../api/limits';
import { changeSettings, useCatalog, useSettings } from '../api/queries';
import { unitsOf } from '../format/units';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Knob } from '../ui/Knob';
import { Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { Stepper } from '../ui/Stepper';

const Small = styled(Quiet)`
  font-size: 14px;
`;

/** Units, the rule for "safe", chime and keys. */
export function UnitsAndRules() {
  const { data } = useSettings();
  const catalog = useCatalog();
  const queries = useQueryClient();
  if (!data) return null;
  const units = unitsOf(data);
  const set = (change: Partial<Settings>) => changeSettings(queries, change);
  return (
    <>
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
      <SwitchField isSelected={data.chime} onChange={(chime) => set({ chime })}>
        <Knob>Chime when something is due</Knob>
      </SwitchField>
      <SwitchField isSelected={data.shortcuts} onChange={(shortcuts) => set({ shortcuts })}>
        <Knob>Single-letter keys</Knob>
      </SwitchField>
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
      <Button aria-label={`Units and rules: °${data.temperature}, ${data.mass}`}>
        °{data.temperature} · {data.mass}
      </Button>
    </Pop>
  );
}
