import { Fragment, useState } from 'react';
import styled from 'styled-components';
import { Refusal, type Catalog, type Schemas } from '../api/client';
import { within } from '../api/limits';
import { Button, PlainButton } from '../ui/Button';
import { Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { complain } from '../ui/toast';
import { fields, Figures, SPOON_ML } from './Figures';
import { shelvesOf } from './uses';

type Ingredient = Schemas['Ingredient'];

const Scroll = styled.div`
  overflow-x: auto;
  background: var(--surface);
  border-radius: 16px;
  padding: 4px 0 8px;
`;

const Table = styled.table`
  border-collapse: collapse;
  width: 100%;
  font-size: 14.5px;
  th,
  td {
    padding: 0 6px;
    text-align: right;
    white-space: nowrap;
    border-bottom: 1px solid var(--line);
  }
  thead th {
    padding: 9px 6px 7px;
    font-weight: 600;
    vertical-align: bottom;
    border-bottom: 2px solid var(--edge);
  }
  th:first-child,
  thead th:nth-last-child(-n + 2),
  td:last-child,
  td:nth-last-child(2) {
    text-align: left;
  }
  /* The names stay in sight when the figures are moved. */
  th:first-child {
    position: sticky;
    left: 0;
    background: var(--surface);
    padding-left: 14px;
    z-index: 1;
    max-width: 210px;
    white-space: normal;
  }
  tbody th[scope='row'] {
    font-weight: 400;
  }
  tbody th[scope='rowgroup'] {
    padding: 16px 14px 4px;
    font-weight: 700;
    font-size: 16px;
    border-bottom: 1px solid var(--edge);
  }
`;

const Figure = styled.input`
  width: 58px;
  min-height: 34px;
  padding: 2px 4px;
  text-align: right;
  border: 1px solid transparent;
  border-radius: 7px;
  background: transparent;
  &:hover {
    border-color: var(--edge);
  }
  &:focus {
    border-color: var(--edge);
    background: var(--paper);
    outline: 3px solid var(--focus);
  }
  &[aria-invalid='true'] {
    border-color: var(--heat);
  }
`;

const Called = styled(PlainButton)`
  min-height: 34px;
  padding: 2px 0;
  text-align: left;
  text-decoration: underline;
  text-decoration-color: var(--line);
  text-underline-offset: 3px;
`;

const Holds = styled.td`
  color: var(--quiet);
  font-size: 13.5px;
`;

const Sources = styled.ol`
  margin: 10px 0 0;
  padding-left: 22px;
  color: var(--quiet);
  font-size: 13.5px;
`;

interface CellProps {
  name: string;
  value: number;
  min: number;
  max: number;
  onChange: (v: number) => void;
}

/** A figure that is changed where it stands. What is no figure stays as it was typed, and is said. */
function Cell({ name, value, min, max, onChange }: CellProps) {
  const [text, setText] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const shown = text ?? (value === 0 ? '' : String(Math.round(value * 100) / 100));
  const keep = () => {
    if (text === null) return;
    const v = text.trim() === '' ? 0 : Number(text.trim().replace(',', '.'));
    if (!(v >= min && v <= max)) {
      setWrong(true);
      complain(
        new Refusal({
          status: 422,
          title: 'That is not possible',
          detail: `${name}: “${text}” is not possible; allowed: ${min} to ${max}.`,
        }),
      );
      return;
    }
    setWrong(false);
    setText(null);
    if (v !== value) onChange(v);
  };
  return (
    <Figure
      aria-label={name}
      aria-invalid={wrong}
      inputMode="decimal"
      value={shown}
      placeholder="–"
      onChange={(e) => setText(e.target.value)}
      onBlur={keep}
      onKeyDown={(e) => {
        if (e.key === 'Enter') keep();
        if (e.key === 'Escape') {
          setText(null);
          setWrong(false);
        }
      }}
    />
  );
}

const short: Record<string, string> = { carb: 'Carb.' };

interface Props {
  ingredients: Ingredient[];
  /** Those with figures of the household's own. */
  own: Record<string, number>;
  catalog: Catalog;
  save: (i: Ingredient) => void;
  back: (i: Ingredient) => void;
}

/** The pantry on one sheet, by what it is used for; figures are changed where they stand. */
export function Sheet({ ingredients, own, catalog, save, back }: Props) {
  const sources = [...new Set(ingredients.map((i) => i.source))];
  const groups = shelvesOf(ingredients);
  const density = within(catalog, 'ingredient.density');
  return (
    <>
      <Scroll role="region" aria-label="The pantry’s figures" tabIndex={0}>
        <Table>
          <thead>
            <tr>
              <th scope="col">g in 100 g</th>
              {fields.map((f) => (
                <th key={f.key} scope="col">
                  {short[f.key] ?? f.name}
                </th>
              ))}
              <th scope="col">A teaspoon</th>
              <th scope="col">One is</th>
              <th scope="col">Price, 1 kg</th>
              <th scope="col">Holds</th>
              <th scope="col">From</th>
            </tr>
          </thead>
          <tbody>
            {groups.map((g) => (
              <Fragment key={g.name}>
                <tr>
                  <th scope="rowgroup" colSpan={12}>
                    {g.name}
                  </th>
                </tr>
                {g.those.map((i) => (
                  <tr key={i.id}>
                    <th scope="row">
                      <Pop
                        title={i.name}
                        body={
                          <>
                            <Figures of={i} catalog={catalog} save={save} />
                            {i.instead ? <Quiet>In its place: {i.instead}.</Quiet> : null}
                          </>
                        }
                      >
                        <Called aria-label={`${i.name}, change`}>{i.name}</Called>
                      </Pop>
                    </th>
                    {fields.map((f) => {
                      const { min, max } = within(catalog, `ingredient.${f.key}`);
                      return (
                        <td key={f.key}>
                          <Cell
                            name={`${i.name}: ${f.name}, g in 100 g`}
                            value={i[f.key]}
                            min={min}
                            max={max}
                            onChange={(v) =>
                              save({ ...i, [f.key]: v, ...(f.key === 'sugar' && v > i.carb ? { carb: v } : {}) })
                            }
                          />
                        </td>
                      );
                    })}
                    <td>
                      <Cell
                        name={`${i.name}: a level teaspoon of ${SPOON_ML} ml, g`}
                        value={i.density * SPOON_ML}
                        min={density.min * SPOON_ML}
                        max={density.max * SPOON_ML}
                        onChange={(v) => save({ ...i, density: v / SPOON_ML })}
                      />
                    </td>
                    <td>
                      <Cell
                        name={`${i.name}: one piece, g`}
                        value={i.each}
                        {...within(catalog, 'ingredient.each')}
                        onChange={(each) => save({ ...i, each })}
                      />
                    </td>
                    <td>
                      <Cell
                        name={`${i.name}: price of 1 kg`}
                        value={i.price ?? 0}
                        {...within(catalog, 'ingredient.price')}
                        onChange={(price) => save({ ...i, price })}
                      />
                    </td>
                    <Holds>{i.allergens?.join(', ') ?? ''}</Holds>
                    <Holds>
                      {i.id in own ? (
                        <Button onPress={() => back(i)}>
                          {i.id.startsWith('own-') ? 'Take it out' : 'As it ships'}
                        </Button>
                      ) : (
                        sources.indexOf(i.source) + 1
                      )}
                    </Holds>
                  </tr>
                ))}
              </Fragment>
            ))}
          </tbody>
        </Table>
      </Scroll>
      <Sources aria-label="Where the figures are from">
        {sources.map((s) => (
          <li key={s}>{s}</li>
        ))}
      </Sources>
    </>
  );
}
