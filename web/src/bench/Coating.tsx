import { useState } from 'react';
import { SwitchField } from 'react-aria-components';
import { within } from '../api/limits';
import { useCoats } from '../api/queries';
import { setCoat, setLayers } from '../dish/edits';
import { Choice } from '../ui/Choice';
import { Knob } from '../ui/Knob';
import { Select } from '../ui/Select';
import { Stepper } from '../ui/Stepper';
import { Bowls } from './Bowls';
import { Composer } from './Composer';
import type { StationProps } from './props';

/** Which coat, of what, how it is put on; and the oil. */
export function Coating(props: StationProps) {
  const { plan, bench, set, edit, answer, catalog, units } = props;
  const own = useCoats().data ?? [];
  const { coat } = plan;
  const [open, setOpen] = useState(coat.layers !== undefined);
  const kept = own.find((o) => JSON.stringify(o.layers) === JSON.stringify(coat.layers));
  const chosen = coat.layers ? (kept?.id ?? 'made') : (coat.id ?? 'bare');
  const choose = (id: string) => {
    const mine = own.find((o) => o.id === id);
    edit('coat', (now) => (mine ? setLayers(now, mine.layers) : setCoat(now, id)));
  };
  const c = bench.coating;
  const change = (what: string, more: Partial<typeof c>) =>
    set(what, (b) => ({ ...b, coating: { ...b.coating, ...more } }));
  const floured = answer.bowls.some((b) => b.ingredient.endsWith('-flour'));
  const eggs = answer.bowls.some((b) => b.ingredient === 'egg');
  const crumbs = answer.bowls.some((b) => b.ingredient.endsWith('crumbs'));
  const bowls = answer.bowls.length > 0 && !answer.rubbed;
  const starch = within(catalog, 'bench.coating.starch');
  return (
    <>
      <label>
        <span className="quietly">Coat</span>
        <Select value={chosen} onChange={(e) => choose(e.target.value)}>
          {chosen === 'made' ? <option value="made">Of your own making</option> : null}
          {own.length > 0 ? (
            <optgroup label="Your own">
              {own.map((o) => (
                <option key={o.id} value={o.id}>
                  {o.name}
                </option>
              ))}
            </optgroup>
          ) : null}
          <optgroup label="Usual">
            {catalog.coats.map((o) => (
              <option key={o.id} value={o.id}>
                {o.name}
              </option>
            ))}
          </optgroup>
        </Select>
      </label>
      <SwitchField isSelected={open} onChange={setOpen}>
        <Knob>What it is made of</Knob>
      </SwitchField>
      {open ? <Composer {...props} /> : null}
      {answer.restMin > 0 ? (
        <Stepper
          label="Rests coated"
          value={c.restMin ?? answer.restMin}
          {...within(catalog, 'bench.coating.restMin')}
          onChange={(restMin) => change('rest', { restMin })}
        />
      ) : null}
      <Choice
        label="Oil"
        row
        options={[
          { id: 'planned', name: 'As planned' },
          { id: 'none', name: 'None' },
          { id: 'mist', name: 'Mist' },
          { id: 'brush', name: 'Brush' },
          { id: 'toss', name: 'Toss' },
        ]}
        value={c.oil ?? 'planned'}
        onChange={(oil) =>
          change(
            'oil',
            oil === 'planned' ? { oil: undefined } : { oil, passes: c.passes ?? catalog.usual.bench.coating.passes },
          )
        }
      />
      {c.oil && c.oil !== 'none' ? (
        <>
          <Choice
            label="Where"
            row
            options={[
              { id: 'all', name: 'All over' },
              { id: 'up', name: 'Only the side that is up' },
            ]}
            value={c.where ?? 'all'}
            onChange={(where) => change('where', { where })}
          />
          <Stepper
            label="Passes"
            value={c.passes ?? catalog.usual.bench.coating.passes ?? 0}
            {...within(catalog, 'bench.coating.passes')}
            onChange={(passes) => change('passes', { passes })}
          />
        </>
      ) : null}
      {bowls ? <Bowls bowls={answer.bowls} bag={c.bag ?? false} units={units} /> : null}
      {bowls ? (
        <Choice
          label="Coat it"
          row
          options={[
            { id: 'bowls', name: 'In bowls' },
            { id: 'bag', name: 'In a bag' },
          ]}
          value={c.bag ? 'bag' : 'bowls'}
          onChange={(v) => change('bag', { bag: v === 'bag' })}
        />
      ) : null}
      {floured && !coat.layers ? (
        <Choice
          label="Flour"
          row
          options={[
            { id: 'wheat-flour', name: 'Wheat' },
            { id: 'rice-flour', name: 'Rice, gluten-free' },
            { id: 'chickpea-flour', name: 'Chickpea, gluten-free' },
          ]}
          value={c.flour ?? answer.bowls.find((b) => b.ingredient.endsWith('flour'))?.ingredient ?? 'wheat-flour'}
          onChange={(flour) => change('flour', { flour })}
        />
      ) : null}
      {crumbs && !coat.layers ? (
        <Choice
          label="Crumbs"
          row
          options={[
            { id: 'crumbs', name: 'Bread' },
            { id: 'rice-crumbs', name: 'Rice, gluten-free' },
          ]}
          value={c.crumbs ?? 'crumbs'}
          onChange={(crumbs) => change('crumbs', { crumbs })}
        />
      ) : null}
      {floured ? (
        <SwitchField isSelected={c.leavening ?? false} onChange={(leavening) => change('leavening', { leavening })}>
          <Knob>Baking powder in the flour</Knob>
        </SwitchField>
      ) : null}
      {eggs ? (
        <SwitchField isSelected={c.largeEggs ?? false} onChange={(largeEggs) => change('eggs', { largeEggs })}>
          <Knob>Large eggs, 50 g without the shell</Knob>
        </SwitchField>
      ) : null}
      {answer.starchShare > 0 && !coat.layers ? (
        <Stepper
          label="Starch in the flour: more is crisper and paler"
          unit="%"
          value={Math.round((c.starch || answer.starchShare) * 100)}
          min={0}
          max={Math.round(starch.max * 100)}
          step={Math.round(starch.step * 100)}
          onChange={(v) => change('starch', { starch: v / 100 })}
        />
      ) : null}
    </>
  );
}
