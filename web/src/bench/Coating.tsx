import { type Run } from '../ui/history';
import { useState } from 'react';
import { SwitchField } from 'react-aria-components';
import { within } from '../api/limits';
import { useCoats } from '../api/queries';
import { setCoat, setLayers } from '../dish/edits';
import { Choice } from '../ui/Choice';
import { Knob } from '../ui/Knob';
import { Select } from '../ui/Select';
import { Stepper } from '../ui/Stepper';
import { Composer } from './Composer';
import type { StationProps } from './props';

type Coated = NonNullable<StationProps['bench']['coating']>;

interface PartProps extends StationProps {
  change: (run: Run, more: Partial<Coated>) => void;
}

/** Which coat: one of the household's own, a usual one, or one that is made. */
function WhichCoat({ lot, editLot, catalog }: StationProps) {
  const own = useCoats().data ?? [];
  const coat = lot.coat ?? {};
  const kept = own.find((o) => JSON.stringify(o.layers) === JSON.stringify(coat.layers));
  const chosen = coat.layers ? (kept?.id ?? 'made') : (coat.id ?? 'bare');
  const choose = (id: string) => {
    const mine = own.find((o) => o.id === id);
    editLot('coat', (now) => (mine ? setLayers(now, mine.layers) : setCoat(now, id)));
  };
  const option = (o: { id: string; name: string }) => (
    <option key={o.id} value={o.id}>
      {o.name}
    </option>
  );
  return (
    <label>
      <span className="quietly">Coat</span>
      <Select value={chosen} onChange={(e) => choose(e.target.value)}>
        {chosen === 'made' ? <option value="made">Of your own making</option> : null}
        {own.length > 0 ? <optgroup label="Your own">{own.map(option)}</optgroup> : null}
        <optgroup label="Usual">{catalog.coats.map(option)}</optgroup>
      </Select>
    </label>
  );
}

/** How the oil is put on. */
function Oil({ bench: { coating: c }, catalog, change }: PartProps) {
  const passes = c.passes ?? catalog.usual.bench.coating.passes;
  return (
    <>
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
        onChange={(oil) => change('oil', oil === 'planned' ? { oil: undefined } : { oil, passes })}
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
            value={passes ?? 0}
            {...within(catalog, 'bench.coating.passes')}
            onChange={(v) => change('passes', { passes: v })}
          />
        </>
      ) : null}
    </>
  );
}

/** What stands in the place of the usual flour and crumbs, and what is stirred in. */
function InTheBowls({ lot, bench: { coating: c }, answer, catalog, change }: PartProps) {
  const { flour, crumbs, eggs } = answer.choices;
  const made = lot.coat?.layers !== undefined;
  const starch = within(catalog, 'bench.coating.starch');
  return (
    <>
      {flour && !made ? (
        <Choice
          label="Flour"
          row
          options={catalog.flours.map((f) => ({ id: f.id, name: f.name }))}
          value={c.flour ?? flour}
          onChange={(id) => change('flour', { flour: id })}
        />
      ) : null}
      {crumbs && !made ? (
        <Choice
          label="Crumbs"
          row
          options={catalog.crumbs.map((k) => ({ id: k.id, name: k.name }))}
          value={c.crumbs ?? crumbs}
          onChange={(id) => change('crumbs', { crumbs: id })}
        />
      ) : null}
      {flour ? (
        <SwitchField isSelected={c.leavening ?? false} onChange={(leavening) => change('leavening', { leavening })}>
          <Knob>Baking powder in the flour</Knob>
        </SwitchField>
      ) : null}
      {eggs ? (
        <SwitchField isSelected={c.largeEggs ?? false} onChange={(largeEggs) => change('eggs', { largeEggs })}>
          <Knob>Large eggs, 50 g without the shell</Knob>
        </SwitchField>
      ) : null}
      {answer.starchShare > 0 && !made ? (
        <Stepper
          label="Starch in the flour: more is crisper and paler"
          unit="%"
          value={Math.round((c.starch || answer.starchShare) * 100)}
          min={Math.round(starch.min * 100)}
          max={Math.round(starch.max * 100)}
          step={Math.round(starch.step * 100)}
          onChange={(v) => change('starch', { starch: v / 100 })}
        />
      ) : null}
    </>
  );
}

/** Which coat, of what, how it is put on; its rest; or the oil. */
export function Coating({ about, ...props }: StationProps & { about: string }) {
  const { lot, bench, set, answer, catalog } = props;
  const [open, setOpen] = useState(lot.coat?.layers !== undefined);
  const c = bench.coating;
  const change = (run: Run, more: Partial<Coated>) => set(run, (b) => ({ ...b, coating: { ...b.coating, ...more } }));
  switch (about) {
    case 'oil':
      return <Oil {...props} change={change} />;
    case 'rest':
      return (
        <Stepper
          label="Rests coated"
          value={c.restMin ?? answer.restMin}
          {...within(catalog, 'bench.coating.restMin')}
          onChange={(restMin) => change('rest', { restMin })}
        />
      );
    case 'bowls':
      return (
        <>
          {answer.rubbed ? null : (
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
          )}
          <InTheBowls {...props} change={change} />
        </>
      );
  }
  return (
    <>
      <WhichCoat {...props} />
      <SwitchField isSelected={open} onChange={setOpen}>
        <Knob>What it is made of</Knob>
      </SwitchField>
      {open ? <Composer {...props} /> : null}
    </>
  );
}
