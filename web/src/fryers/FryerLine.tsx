import { Input, Label, TextField } from 'react-aria-components';
import styled from 'styled-components';
import type { Catalog, FryerInput, Schemas } from '../api/client';
import type { Units } from '../format/units';
import { basketWords } from '../plan/basketWords';
import { Choice } from '../ui/Choice';
import { fieldBox, labelled } from '../ui/field';
import { Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { Line, Part, Whole } from '../ui/sentence';
import { Stepper } from '../ui/Stepper';
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

interface Props {
  id: string;
  fryer: FryerInput;
  portrait: Schemas['Portrait'] | null;
  catalog: Catalog;
  units: Units;
  set: (change: Change) => void;
}

function blows(airflow: number): string {
  if (airflow < 0.8) return 'a good deal less than most';
  if (airflow < 0.95) return 'a little less than most';
  if (airflow <= 1.05) return 'as most do';
  if (airflow <= 1.2) return 'a little harder than most';
  return 'a good deal harder than most';
}

/** What a fryer is, as one sentence; each underlined part is a choice. */
export function FryerLine({ id, fryer, portrait, catalog, units, set }: Props) {
  const b = fryer.basket;
  const round = b.shape === 'round';
  const oven = fryer.kind === 'oven';
  const guessed = fryer.inferred ?? [];
  const about = (name: string) => (guessed.includes(name) ? 'about ' : '');
  const span = (c: number) => Math.round(units.degree === '°F' ? (c * 9) / 5 : c);
  const back = (d: number) => (units.degree === '°F' ? (d * 5) / 9 : d);
  const offset = span(fryer.dialOffsetC);
  const build = oven
    ? `an oven with ${(fryer.trays ?? 1) > 1 ? `${fryer.trays} trays` : 'a tray'}`
    : (fryer.drawers ?? 1) > 1
      ? 'two drawers'
      : fryer.rack
        ? 'a drawer with a rack'
        : 'a drawer';
  const minutes = portrait?.heatUpMin ?? fryer.heatUpMin ?? 4;
  return (
    <Line>
      <Whole>
        <Pop
          title="Its name"
          body={
            <Name
              value={fryer.name}
              maxLength={60}
              onChange={(name) => set({ name })}
              isInvalid={fryer.name.trim() === ''}
            >
              <Label>Name</Label>
              <Input />
            </Name>
          }
        >
          <Part>{fryer.name.trim() || 'A fryer without a name'}</Part>
        </Pop>
        :
      </Whole>{' '}
      <Whole>
        <Pop
          title="What it is"
          width={440}
          body={
            <>
              <Choice
                label="Kind"
                options={catalog.fryerKinds.map((k) => ({ id: k.id as FryerInput['kind'], name: k.name }))}
                value={fryer.kind}
                onChange={(kind) => set(kind === 'oven' ? { kind, drawers: 1, rack: false } : { kind, trays: 1 })}
              />
              {oven ? (
                <Stepper
                  label="Trays in use"
                  value={fryer.trays ?? 1}
                  min={1}
                  max={4}
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
                      note: 'the size is that of one; each gets less air than one alone',
                    },
                  ]}
                  value={(fryer.drawers ?? 1) > 1 ? 'two' : fryer.rack ? 'rack' : 'plain'}
                  onChange={(v) => set({ drawers: v === 'two' ? 2 : 1, rack: v === 'rack' })}
                />
              )}
            </>
          }
        >
          <Part>{build}</Part>
        </Pop>
        ,
      </Whole>{' '}
      {about('basket')}
      <Whole>
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
                        ? { shape, diameterMm: b.diameterMm ?? Math.min(b.widthMm ?? 200, b.depthMm ?? 200) }
                        : {
                            shape,
                            widthMm: b.widthMm ?? b.diameterMm ?? 230,
                            depthMm: b.depthMm ?? b.diameterMm ?? 230,
                          },
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
                <>
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
                </>
              )}
            </>
          }
        >
          <Part>{basketWords(b)}</Part>
        </Pop>
        ,
      </Whole>{' '}
      {about('powerW')}
      <Whole>
        <Pop
          title="Its power"
          body={
            <Stepper
              label="On the label"
              unit="W"
              value={fryer.powerW}
              min={600}
              max={3500}
              step={50}
              onChange={(powerW) => set({ powerW })}
            />
          }
        >
          <Part>{fryer.powerW} W</Part>
        </Pop>
        ,
      </Whole>{' '}
      dial {about('dial')}
      <Whole>
        <Pop
          title="Its dial"
          body={
            <>
              <Stepper
                label="Starts at"
                unit={units.degree}
                value={units.toDegrees(fryer.dialMinC)}
                min={units.toDegrees(30)}
                max={units.toDegrees(150)}
                step={5}
                onChange={(v) => set({ dialMinC: Math.round(units.fromDegrees(v) * 10) / 10 })}
              />
              <Stepper
                label="Ends at"
                unit={units.degree}
                value={units.toDegrees(fryer.dialMaxC)}
                min={units.toDegrees(150)}
                max={units.toDegrees(240)}
                step={5}
                onChange={(v) => set({ dialMaxC: Math.round(units.fromDegrees(v) * 10) / 10 })}
              />
              <Stepper
                label="Steps"
                unit={units.degree}
                value={span(fryer.dialStepC)}
                min={1}
                max={span(25)}
                onChange={(v) => set({ dialStepC: Math.round(back(v) * 10) / 10 })}
              />
            </>
          }
        >
          <Part>
            {units.toDegrees(fryer.dialMinC)} to {units.temperature(fryer.dialMaxC)} by {span(fryer.dialStepC)}
          </Part>
        </Pop>
        .
      </Whole>{' '}
      It runs{' '}
      <Whole>
        <Pop
          title="Air beside the dial"
          body={
            <>
              <Stepper
                label="Over (+) or under (−)"
                unit={units.degree}
                value={offset}
                min={span(-40)}
                max={span(40)}
                onChange={(v) => set({ dialOffsetC: Math.round(back(v) * 10) / 10 })}
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
        ,
      </Whole>{' '}
      blows{' '}
      <Pop
        title="How hard it blows"
        body={
          <>
            <Stepper
              label="100 is middling"
              unit="%"
              value={Math.round(fryer.airflow * 100)}
              min={30}
              max={200}
              step={5}
              onChange={(v) => set({ airflow: v / 100 })}
            />
            <Quiet>If food is ready before the forecast again and again, it blows harder.</Quiet>
          </>
        }
      >
        <Part>{blows(fryer.airflow)}</Part>
      </Pop>{' '}
      and needs {portrait?.timed ? '' : 'about '}
      <Whole>
        <Pop
          title={`From cold to ${units.temperature(200)}`}
          body={
            <HeatUp
              id={id}
              minutes={minutes}
              timed={portrait?.timed ?? false}
              units={units}
              onChange={(heatUpMin) => set({ heatUpMin })}
            />
          }
        >
          <Part>
            {Math.round(minutes * 10) / 10} min to {units.temperature(200)}
          </Part>
        </Pop>
        .
      </Whole>{' '}
    </Line>
  );
}
