import { useState } from 'react';
import type { Catalog, Schemas } from '../api/client';
import { within, limitOf } from '../api/limits';
import type { Units } from '../format/units';
import { Button } from '../ui/Button';
import { Pop } from '../ui/Pop';
import { Labelled, Select } from '../ui/Select';
import { Stepper } from '../ui/Stepper';

type Line = Schemas['RecipeLine'];
type Fix = Schemas['RecipeFix'];

const kinds: [NonNullable<Fix['as']>, string][] = [
  ['food', 'what is fried'],
  ['marinade', 'the marinade'],
  ['coat', 'the coat'],
  ['oil', 'oil on it'],
  ['sauce', 'the sauce'],
  ['finish', 'put on at the end'],
  ['note', 'a note; leave it out'],
];

interface PutRightProps {
  line: Line;
  n: number;
  catalog: Catalog;
  pantry: Schemas['Ingredient'][];
  put: (fix: Fix) => void;
}

/** One line said otherwise: what it is for, what it is, how much. */
export function PutRight({ line, n, catalog, pantry, put }: PutRightProps) {
  const [food, setFood] = useState(line.as === 'food');
  return (
    <Pop
      title={line.text}
      width={440}
      body={
        <>
          <Labelled>
            It is
            <Select
              value={food ? 'food' : line.as}
              onChange={(e) => {
                const as = e.target.value as NonNullable<Fix['as']>;
                setFood(as === 'food');
                if (as !== 'food') put({ line: n, as });
              }}
            >
              {kinds.map(([id, name]) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Select>
          </Labelled>
          {food ? (
            <Labelled>
              Which cut
              <Select value="" onChange={(e) => put({ line: n, as: 'food', cut: e.target.value })}>
                <option value="" disabled>
                  choose
                </option>
                {catalog.cuts.map((c) => (
                  <option key={c.id} value={c.id}>
                    {c.plural}
                  </option>
                ))}
              </Select>
            </Labelled>
          ) : (
            <Labelled>
              Which ingredient
              <Select value={line.ingredient ?? ''} onChange={(e) => put({ line: n, ingredient: e.target.value })}>
                <option value="" disabled>
                  choose
                </option>
                {pantry
                  .toSorted((a, b) => a.name.localeCompare(b.name))
                  .map((i) => (
                    <option key={i.id} value={i.id}>
                      {i.name}
                    </option>
                  ))}
              </Select>
            </Labelled>
          )}
          {food && line.pieces ? (
            <Stepper
              label="How many"
              value={line.pieces}
              {...within(catalog, 'load.pieces')}
              onChange={(pieces) => put({ line: n, pieces })}
            />
          ) : null}
          <Stepper
            label={food ? 'All of it' : 'How much'}
            unit="g"
            value={line.g ?? 0}
            min={0}
            max={100_000}
            step={food ? 50 : 1}
            onChange={(g) => put({ line: n, g })}
          />
        </>
      }
    >
      <Button aria-label={`Put right: ${line.text}`}>Put right</Button>
    </Pop>
  );
}

const ways = [
  ['oil', 'fried in oil'],
  ['oven', 'in an oven'],
  ['preset', 'in an air fryer'],
] as const;
type Way = (typeof ways)[number][0];

interface StepProps {
  line: Line;
  n: number;
  catalog: Catalog;
  units: Units;
  put: (fix: Fix) => void;
}

/** One step said otherwise: how hot and how long, how long it waits, or that it changes nothing. */
export function PutStepRight({ line, n, catalog, units, put }: StepProps) {
  const [is, setIs] = useState(line.as === 'heat' || line.as === 'hours' ? line.as : 'note');
  const usual = catalog.usual.recipes.find((r) => r.kind === (line.heat?.kind ?? 'oven')) ?? catalog.usual.recipes[0];
  const [heat, setHeat] = useState({
    kind: (line.heat?.kind ?? usual?.kind ?? 'oven') as Way,
    tempC: line.heat?.tempC ?? usual?.tempC ?? 0,
    minutes: line.heat?.minutes ?? usual?.minutes ?? 0,
  });
  const [hours, setHours] = useState(line.hours ?? 1);
  const warm = (change: Partial<typeof heat>) => {
    const next = { ...heat, ...change };
    const { min, max } = limitOf(catalog, `recipe.${next.kind}.tempC`);
    next.tempC = Math.min(max, Math.max(min, next.tempC));
    setHeat(next);
    put({ line: n, as: undefined, hours: undefined, heat: next });
  };
  return (
    <Pop
      title={line.text}
      width={440}
      body={
        <>
          <Labelled>
            It says
            <Select
              value={is}
              onChange={(e) => {
                const next = e.target.value;
                setIs(next);
                if (next === 'heat') warm({});
                else if (next === 'hours') put({ line: n, as: undefined, heat: undefined, hours });
                else put({ line: n, as: 'note', heat: undefined, hours: undefined });
              }}
            >
              <option value="heat">how the food is cooked</option>
              <option value="hours">how long it waits in it</option>
              <option value="note">nothing that counts: a note</option>
            </Select>
          </Labelled>
          {is === 'heat' ? (
            <>
              <Labelled>
                How
                <Select value={heat.kind} onChange={(e) => warm({ kind: e.target.value as Way })}>
                  {ways.map(([id, name]) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </Select>
              </Labelled>
              <Stepper
                label="How hot"
                value={units.heat.to(heat.tempC)}
                {...units.heat.stepper(limitOf(catalog, `recipe.${heat.kind}.tempC`))}
                onChange={(d) => warm({ tempC: units.heat.from(d) })}
              />
              <Stepper
                label="How long"
                unit="min"
                value={heat.minutes}
                {...within(catalog, 'recipe.minutes')}
                onChange={(m) => warm({ minutes: m })}
              />
            </>
          ) : null}
          {is === 'hours' ? (
            <Stepper
              label="How long"
              unit="h"
              value={hours}
              min={0}
              max={72}
              step={0.5}
              onChange={(h) => {
                setHours(h);
                put({ line: n, as: undefined, heat: undefined, hours: h });
              }}
            />
          ) : null}
        </>
      }
    >
      <Button aria-label={`Put right: ${line.text}`}>Put right</Button>
    </Pop>
  );
}
