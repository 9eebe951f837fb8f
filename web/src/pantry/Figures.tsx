import { Plus } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Input, Label, TextField } from 'react-aria-components';
import styled from 'styled-components';
import type { Catalog, Schemas } from '../api/client';
import { within } from '../api/limits';
import { Labelled, Select } from '../ui/Select';
import { Button } from '../ui/Button';
import { fieldBox, labelled } from '../ui/field';
import { Pop } from '../ui/Pop';
import { Stepper } from '../ui/Stepper';

type Ingredient = Schemas['Ingredient'];

const Field = styled(TextField)`
  ${labelled}
  input {
    ${fieldBox}
  }
`;

const Form = styled.form`
  display: grid;
  gap: 12px;
`;

export const fields: { key: 'salt' | 'sugar' | 'carb' | 'fat' | 'protein' | 'acid'; name: string }[] = [
  { key: 'salt', name: 'Salt' },
  { key: 'sugar', name: 'Sugar' },
  { key: 'carb', name: 'Carbohydrate, sugar included' },
  { key: 'fat', name: 'Fat' },
  { key: 'protein', name: 'Protein' },
  { key: 'acid', name: 'Acid' },
];

// What it is there for, as the bench counts it.
export const roles = [
  { id: 'salt', name: 'Salt or a salty sauce' },
  { id: 'acid', name: 'Acid' },
  { id: 'dairy', name: 'Dairy' },
  { id: 'enzyme', name: 'Fresh fruit or root that tenderises' },
  { id: 'sugar', name: 'Sugar' },
  { id: 'fat', name: 'Fat' },
  { id: 'starch', name: 'Flour, starch, crumbs' },
  { id: 'leavening', name: 'Raising agent' },
  { id: 'egg', name: 'Egg' },
  { id: 'spice', name: 'Spice, herb, paste' },
  { id: 'liquid', name: 'Another liquid' },
];

// The spoon that a density is told by.
export const SPOON_ML = 5;

interface Props {
  of: Ingredient;
  catalog: Catalog;
  save: (i: Ingredient) => void;
}

/** The figures of one ingredient, each kept as it is changed. */
export function Figures({ of: i, catalog, save }: Props) {
  const density = within(catalog, 'ingredient.density');
  const [allergens, setAllergens] = useState((i.allergens ?? []).join(', '));
  const keep = () => {
    const list = allergens
      .split(',')
      .map((a) => a.trim().toLowerCase())
      .filter(Boolean);
    if (list.join() !== (i.allergens ?? []).join()) save({ ...i, allergens: list });
  };
  // Closed with a key, the field is gone before it loses the focus.
  const last = useRef(keep);
  useEffect(() => {
    last.current = keep;
  });
  useEffect(() => () => last.current(), []);
  return (
    <>
      {fields.map((f) => (
        <Stepper
          key={f.key}
          label={f.name}
          unit="g in 100 g"
          value={i[f.key]}
          {...within(catalog, `ingredient.${f.key}`)}
          onChange={(v) => save({ ...i, [f.key]: v, ...(f.key === 'sugar' && v > i.carb ? { carb: v } : {}) })}
        />
      ))}
      <Stepper
        label="Price of 1 kg, in your currency"
        value={i.price ?? 0}
        {...within(catalog, 'ingredient.price')}
        onChange={(v) => save({ ...i, price: v })}
      />
      <Stepper
        label={`A level teaspoon of ${SPOON_ML} ml weighs`}
        unit="g"
        value={Math.round(i.density * SPOON_ML * 10) / 10}
        min={density.min * SPOON_ML}
        max={density.max * SPOON_ML}
        step={density.step * SPOON_ML}
        onChange={(v) => save({ ...i, density: v / SPOON_ML })}
      />
      <Field value={allergens} onChange={setAllergens} onBlur={keep}>
        <Label>Allergens, with commas</Label>
        <Input />
      </Field>
    </>
  );
}

/** An ingredient that does not ship: its name and what it is there for; figures come after. */
export function NewIngredient({ taken, save }: { taken: Ingredient[]; save: (i: Ingredient) => void }) {
  const [name, setName] = useState('');
  const [role, setRole] = useState('salt');
  const wanted = name.trim();
  const twice = taken.some((i) => i.name.toLowerCase() === wanted.toLowerCase());
  const add = () => {
    const word = wanted
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, 24);
    let id = `own-${word}`;
    for (let n = 2; taken.some((i) => i.id === id); n++) id = `own-${word}-${n}`;
    const none = { salt: 0, sugar: 0, carb: 0, fat: 0, protein: 0, acid: 0 };
    save({ id, name: wanted, role, density: 1, each: 0, ...none, thick: false, source: '' });
    setName('');
  };
  return (
    <Pop
      title="An ingredient of your own"
      body={(close) => (
        <Form
          onSubmit={(e) => {
            e.preventDefault();
            if (!wanted || twice) return;
            add();
            close();
          }}
        >
          <Field value={name} onChange={setName} maxLength={60} isInvalid={twice}>
            <Label>Its name</Label>
            <Input />
            {twice ? <small role="alert">There is one of that name already.</small> : null}
          </Field>
          <Labelled>
            What it is there for
            <Select value={role} onChange={(e) => setRole(e.target.value)}>
              {roles.map((r) => (
                <option key={r.id} value={r.id}>
                  {r.name}
                </option>
              ))}
            </Select>
          </Labelled>
          <Button type="submit" isDisabled={!wanted || twice}>
            Put it in the pantry
          </Button>
        </Form>
      )}
    >
      <Button>
        <Plus size={18} aria-hidden /> An ingredient of your own
      </Button>
    </Pop>
  );
}
