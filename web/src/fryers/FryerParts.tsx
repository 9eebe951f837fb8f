import { Input, Label, TextField } from 'react-aria-components';
import styled from 'styled-components';
import type { Catalog, FryerInput, Schemas } from '../api/client';
import { limitOf, within } from '../api/limits';
import type { Units } from '../format/units';
import { Choice } from '../ui/Choice';
import { fieldBox, labelled } from '../ui/field';
import { Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { Part } from '../ui/sentence';
import { Stepper } from '../ui/Stepper';
import { basketWords } from './basketWords';
import type { Change } from './change';
import { HeatUp } from './HeatUp';

const Name = styled(TextField)`
  ${labelled}
  input {
    ${fieldBox}
    font-size: 18px;
    font-weight: 600;
  }
`;

export interface FryerProps {
  id: string;
  fryer: FryerInput;
  portrait: Schemas['Portrait'] | null;
  catalog: Catalog;
  units: Units;
  set: (change: Change) => void;
}

/** Its name. */
export function NamePart({ fryer, set }: FryerProps) {
  return (
    <Pop
      title="Its name"
      body={
        <Name value={fryer.name} maxLength={60} onChange={(name) => set({ name })} isInvalid={fryer.name.trim() === ''}>
          <Label>Name</Label>
          <Input />
        </Name>
      }
    >
      <Part>{fryer.name.trim() || 'A fryer without a name'}</Part>
    </Pop>
  );
}

/** What it is. */
export function BuildPart({ fryer, catalog, set }: FryerProps) {
  const oven = fryer.kind === 'oven';
  const build = oven
    ? `an oven with ${(fryer.trays ?? 1) > 1 ? `${fryer.trays} trays` : 'a tray'}`
    : (fryer.drawers ?? 1) > 1
      ? 'two drawers'
      : fryer.rack
        ? 'a drawer with a rack'
        : 'a drawer';
  const under = fryer.grill ? ' and a grill' : '';
  return (
    <Pop
      title="What it is"
      width={440}
      body={
        <>
          <Choice
            label="Kind"
            options={catalog.fryerKinds.map((k) => ({ id: k.id as FryerInput['kind'], name: k.name }))}
            value={fryer.kind}
            onChange={(kind) =>
              set(kind === 'oven' ? { kind, drawers: 1, drawerPowerW: undefined, rack: false } : { kind, trays: 1 })
            }
          />
          {oven ? (
            <Stepper
              label="Trays in use"
              value={fryer.trays ?? 1}
              {...within(catalog, 'fryer.trays')}
              onChange={(trays) => set({ trays })}
            />
          ) : (
            <Choice
              label="In the drawer"
              options={[
                { id: 'plain', name: 'One basket' },
                { id: 'rack', name: 'With a rack', note: 'a second level' },
                {
                  id: 'two',
                  name: 'Two drawers',
                  note: 'the size is that of one; both share the plug',
                },
              ]}
              value={(fryer.drawers ?? 1) > 1 ? 'two' : fryer.rack ? 'rack' : 'plain'}
              onChange={(v) =>
                set({
                  drawers: v === 'two' ? 2 : 1,
                  rack: v === 'rack',
                  ...(v === 'two' ? {} : { drawerPowerW: undefined }),
                })
              }
            />
          )}
          {!oven && (fryer.drawers ?? 1) > 1 ? (
            <Stepper
              label="One drawer alone, at most"
              unit="W"
              value={fryer.drawerPowerW ?? Math.round(catalog.usual.elementShare * fryer.powerW)}
              {...within(catalog, 'fryer.drawerPowerW')}
              onChange={(drawerPowerW) => set({ drawerPowerW })}
            />
          ) : null}
          <Choice
            label="Heat from above"
            options={[
              { id: 'none', name: 'No grill' },
              { id: 'grill', name: 'A grill under the roof', note: 'an element that glows' },
            ]}
            value={fryer.grill ? 'grill' : 'none'}
            onChange={(v) => set({ grill: v === 'grill' ? fryer.powerW : undefined })}
          />
          {fryer.grill ? (
            <Stepper
              label="The grill, at most"
              unit="W"
              value={fryer.grill}
              {...within(catalog, 'fryer.grill')}
              max={fryer.powerW}
              onChange={(grill) => set({ grill })}
            />
          ) : null}
        </>
      }
    >
      <Part>{build + under}</Part>
    </Pop>
  );
}

/** Its basket, inside. */
export function BasketPart({ fryer, catalog, units, set }: FryerProps) {
  const b = fryer.basket;
  const round = b.shape === 'round';
  const side = (label: string, field: 'widthMm' | 'depthMm' | 'diameterMm') => (
    <Stepper
      label={`${label}, inside`}
      value={units.length.to(b[field] ?? 0)}
      {...units.length.stepper(limitOf(catalog, `fryer.basket.${field}`))}
      onChange={(v) => set({ basket: { ...b, [field]: units.length.from(v) } })}
    />
  );
  return (
    <Pop
      title="Its basket, inside"
      body={
        <>
          <Choice
            label="Shape"
            row
            options={[
              { id: 'rectangle', name: 'Square or oblong' },
              { id: 'round', name: 'Round' },
            ]}
            value={round ? 'round' : 'rectangle'}
            onChange={(shape) =>
              set({
                basket:
                  shape === 'round'
                    ? { shape, diameterMm: b.diameterMm ?? Math.min(b.widthMm ?? 0, b.depthMm ?? 0) }
                    : { shape, widthMm: b.widthMm ?? b.diameterMm, depthMm: b.depthMm ?? b.diameterMm },
              })
            }
          />
          {round ? (
            side('Across', 'diameterMm')
          ) : (
            <>
              {side('Width', 'widthMm')}
              {side('Depth', 'depthMm')}
            </>
          )}
        </>
      }
    >
      <Part>{basketWords(b, units)}</Part>
    </Pop>
  );
}

/** Its power. */
export function PowerPart({ fryer, catalog, set }: FryerProps) {
  return (
    <Pop
      title="Its power"
      body={
        <Stepper
          label="On the label"
          unit="W"
          value={fryer.powerW}
          {...within(catalog, 'fryer.powerW')}
          onChange={(powerW) => set({ powerW })}
        />
      }
    >
      <Part>{fryer.powerW} W</Part>
    </Pop>
  );
}

/** Its dial. */
export function DialPart({ fryer, catalog, units, set }: FryerProps) {
  const { dial } = fryer;
  const span = units.warmer.to;
  return (
    <Pop
      title="Its dial"
      body={
        <>
          <Stepper
            label="Starts at"
            value={units.heat.to(dial.minC)}
            {...units.heat.stepper(limitOf(catalog, 'fryer.dial.minC'))}
            onChange={(v) => set({ dial: { ...dial, minC: units.heat.from(v) } })}
          />
          <Stepper
            label="Ends at"
            value={units.heat.to(dial.maxC)}
            {...units.heat.stepper(limitOf(catalog, 'fryer.dial.maxC'))}
            onChange={(v) => set({ dial: { ...dial, maxC: units.heat.from(v) } })}
          />
          <Stepper
            label="Steps"
            value={span(dial.stepC)}
            {...units.warmer.stepper(limitOf(catalog, 'fryer.dial.stepC'))}
            onChange={(v) => set({ dial: { ...dial, stepC: units.warmer.from(v) } })}
          />
        </>
      }
    >
      <Part>
        {units.toDegrees(dial.minC)} to {units.temperature(dial.maxC)} by {span(dial.stepC)}
      </Part>
    </Pop>
  );
}

/** The air beside its dial. */
export function OffsetPart({ fryer, catalog, units, set }: FryerProps) {
  const offset = units.warmer.to(fryer.dialOffsetC);
  return (
    <Pop
      title="Air beside the dial"
      body={
        <>
          <Stepper
            label="Over (+) or under (−)"
            value={offset}
            {...units.warmer.stepper(limitOf(catalog, 'fryer.dialOffsetC'))}
            onChange={(v) => set({ dialOffsetC: units.warmer.from(v) })}
          />
          <Quiet>An oven thermometer in the empty basket tells, after a quarter of an hour.</Quiet>
        </>
      }
    >
      <Part>
        {offset === 0
          ? 'true to its dial'
          : `${Math.abs(offset)} ${units.degree} ${offset < 0 ? 'under' : 'over'} its dial`}
      </Part>
    </Pop>
  );
}

/** How hard it blows. */
export function BlowsPart({ fryer, portrait, catalog, set }: FryerProps) {
  const airflow = within(catalog, 'fryer.airflow');
  const percent = (share: number) => Math.round(share * 100);
  return (
    <Pop
      title="How hard it blows"
      body={
        <>
          <Stepper
            label="100 is middling"
            unit="%"
            value={percent(fryer.airflow)}
            min={percent(airflow.min)}
            max={percent(airflow.max)}
            step={percent(airflow.step)}
            onChange={(v) => set({ airflow: v / 100 })}
          />
          <Quiet>If food is ready before the forecast again and again, it blows harder.</Quiet>
        </>
      }
    >
      <Part>{portrait?.blows ?? '…'}</Part>
    </Pop>
  );
}

/** How long it takes from cold. */
export function HeatUpPart({ id, fryer, portrait, catalog, units, set }: FryerProps) {
  const minutes = portrait?.heatUpMin ?? fryer.heatUpMin;
  return (
    <Pop
      title={`From cold to ${units.temperature(200)}`}
      body={
        <HeatUp
          id={id}
          minutes={minutes}
          range={within(catalog, 'fryer.heatUpMin')}
          timed={portrait?.timed ?? false}
          units={units}
          onChange={(heatUpMin) => set({ heatUpMin })}
        />
      }
    >
      <Part>
        {minutes === undefined ? '…' : Math.round(minutes * 10) / 10} min to {units.temperature(200)}
      </Part>
    </Pop>
  );
}

/** What becomes of what is forgotten in it. */
export function WhenUpPart({ fryer, set }: FryerProps) {
  return (
    <Pop
      title="When its time is up"
      body={
        <Choice
          label="What is forgotten in it"
          options={[
            { id: 'on', name: 'goes on frying', note: 'it has no timer, or one that only rings' },
            { id: 'stops', name: 'stands in a fryer that has stopped', note: 'its timer turns it off' },
          ]}
          value={fryer.stopsItself ? 'stops' : 'on'}
          onChange={(v) => set({ stopsItself: v === 'stops' })}
        />
      }
    >
      <Part>{fryer.stopsItself ? 'stops by itself' : 'goes on'}</Part>
    </Pop>
  );
}
