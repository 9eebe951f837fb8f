import { Plus, Trash2 } from 'lucide-react';
import styled from 'styled-components';
import type { Catalog, Schemas } from '../api/client';
import { limitOf, within } from '../api/limits';
import { Button, IconButton } from '../ui/Button';
import { Select } from '../ui/Select';
import { Stepper } from '../ui/Stepper';
import { Written } from '../ui/Written';

const Step = styled.div`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 6px 10px;
  align-items: end;
  padding: 8px 0;
  border-top: 1px solid var(--line);
`;

type Side = Schemas['SideDish'];

interface Props {
  side: Side;
  hands: number;
  catalog: Catalog;
  change: (next: Side) => void;
  drop: () => void;
}

const places = [
  { id: 'board', name: 'at the board' },
  { id: 'hob', name: 'on the hob' },
  { id: 'oven', name: 'in the oven' },
  { id: 'fridge', name: 'in the fridge' },
  { id: 'none', name: 'anywhere' },
];

/** A side by its own steps, each with its place, its minutes and its hands. */
export function SideSteps({ side, hands, catalog, change, drop }: Props) {
  const step = (at: number, more: Partial<Side['steps'][number]>) =>
    change({ ...side, steps: side.steps.map((s, k) => (k === at ? { ...s, ...more } : s)) });
  return (
    <>
      <Written label="Its name" value={side.name ?? ''} onChange={(name) => change({ ...side, name })} />
      <Written
        label="To buy, with commas between"
        value={(side.buys ?? []).join(', ')}
        onChange={(text) => {
          const buys = text
            .split(',')
            .map((b) => b.trim())
            .filter((b) => b !== '');
          change({ ...side, buys: buys.length > 0 ? buys : undefined });
        }}
      />
      {side.steps.map((s, i) => (
        <Step key={i}>
          <Written label={`Step ${i + 1}`} value={s.says} onChange={(says) => step(i, { says })} />
          <IconButton
            label={`Leave out step ${i + 1}`}
            isDisabled={side.steps.length === 1}
            onPress={() => change({ ...side, steps: side.steps.filter((_, k) => k !== i) })}
          >
            <Trash2 size={17} aria-hidden />
          </IconButton>
          <label>
            <span className="quietly">Where step {i + 1} is done</span>
            <Select value={s.place ?? 'board'} onChange={(e) => step(i, { place: e.target.value })}>
              {places.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </Select>
          </label>
          <span />
          <Stepper
            label="Minutes"
            value={s.minutes}
            {...within(catalog, 'supper.sides.minutes')}
            onChange={(minutes) => step(i, { minutes })}
          />
          <Stepper
            label="Hands"
            value={s.hands}
            {...within(catalog, 'supper.sides.hands')}
            max={hands}
            onChange={(n) => step(i, { hands: n })}
          />
        </Step>
      ))}
      <Button
        isDisabled={side.steps.length >= limitOf(catalog, 'supper.sides.steps').max}
        onPress={() => change({ ...side, steps: [...side.steps, catalog.usual.evening.then] })}
      >
        <Plus size={17} aria-hidden /> A step
      </Button>
      <Stepper
        label="It is good for, minutes"
        value={side.holdsMin ?? catalog.usual.evening.side.holdsMin ?? 0}
        {...within(catalog, 'supper.sides.holdsMin')}
        step={5}
        onChange={(holdsMin) => change({ ...side, holdsMin })}
      />
      <Button onPress={drop}>Not this time</Button>
    </>
  );
}
