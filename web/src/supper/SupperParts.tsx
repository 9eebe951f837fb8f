import styled from 'styled-components';
import type { Catalog } from '../api/client';
import { within } from '../api/limits';
import type { Units } from '../format/units';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Pop } from '../ui/Pop';
import { Part } from '../ui/sentence';
import { Stepper } from '../ui/Stepper';
import { Written } from '../ui/Written';
import { Away } from './Away';
import { dayOf, fromField, hhmm, isMoment, onTheTable, toField } from './time';
import type { EditSupper, Evening } from './useSupper';
import { When } from './When';
import { numberWord as word } from '../format/numbers';

interface Props {
  evening: Evening;
  edit: EditSupper;
  catalog: Catalog;
}

/** For how many, and whether dishes are made for as many. */
export function PeoplePart({ evening, edit, catalog, made }: Props & { made: number[] }) {
  const people = within(catalog, 'supper.people');
  const all = evening.people + (evening.tables ?? []).reduce((sum, t) => sum + t.people, 0);
  const fits = made.every((n) => n === all);
  return (
    <Pop
      title="For how many"
      body={
        <>
          <Stepper
            label="People"
            value={evening.people}
            {...people}
            onChange={(n) => edit('people', (e) => ({ ...e, people: n }))}
          />
          <Tables {...{ evening, edit, catalog }} />
          {fits && !evening.scaled ? null : (
            <Choice
              label="The dishes are"
              options={[
                { id: 'kept', name: 'As they are kept', note: `for ${[...new Set(made)].map(word).join(' and ')}` },
                { id: 'scaled', name: `Made for ${word(all)}`, note: 'pieces, sauces and shopping' },
              ]}
              value={evening.scaled ? 'scaled' : 'kept'}
              onChange={(id) =>
                edit('scaled', (e) => ({ ...e, scaled: id === 'scaled' || undefined, pins: undefined }))
              }
            />
          )}
        </>
      }
    >
      <Part>{word(evening.people)}</Part>
    </Pop>
  );
}

/** Those who come at another time. */
function Tables({ evening, edit, catalog }: Props) {
  const tables = evening.tables ?? [];
  const set = (next: typeof tables) =>
    edit('tables', (e) => ({ ...e, tables: next.length > 0 ? next : undefined, pins: undefined }));
  return (
    <>
      {tables.map((t, k) => (
        <Apart key={k}>
          <Written
            label="Who comes at another time"
            value={t.for ?? ''}
            onChange={(text) => set(tables.map((o, n) => (n === k ? { ...o, for: text || undefined } : o)))}
          />
          <Stepper
            label="How many"
            value={t.people}
            {...within(catalog, 'supper.people')}
            onChange={(n) => set(tables.map((o, i) => (i === k ? { ...o, people: n } : o)))}
          />
          <label htmlFor={`table-${k}`}>At</label>
          <When
            id={`table-${k}`}
            type="datetime-local"
            value={toField(t.at)}
            onChange={(e) => {
              const text = e.target.value;
              if (isMoment(text)) set(tables.map((o, n) => (n === k ? { ...o, at: fromField(text) } : o)));
            }}
          />
          <Button onPress={() => set(tables.filter((_, n) => n !== k))}>They come with the others</Button>
        </Apart>
      ))}
      {tables.length < MOST_TABLES ? (
        <Button
          onPress={() =>
            set([
              ...tables,
              {
                at: fromField(toField(new Date(Date.parse(evening.serveAt) - 60 * 60_000).toISOString())),
                people: 2,
                for: 'the children',
              },
            ])
          }
        >
          Some come sooner or later
        </Button>
      ) : null}
    </>
  );
}

const MOST_TABLES = 3;

const Apart = styled.div`
  display: grid;
  gap: 8px;
  padding: 10px 0;
  border-top: 1px solid var(--line);
`;

/** Who comes at another time, in the sentence. */
export const alsoAt = (evening: Evening) =>
  (evening.tables ?? []).map(
    (t) => `${t.for ?? (t.people === 1 ? 'one more' : `${word(t.people)} more`)} at ${hhmm(t.at)}`,
  );

/** When it is on the table. */
export function TablePart({ evening, edit }: Omit<Props, 'catalog'>) {
  return (
    <Pop
      title="On the table when"
      body={
        <>
          <label htmlFor="serve-at">Day and time</label>
          <When
            id="serve-at"
            type="datetime-local"
            value={toField(evening.serveAt)}
            onChange={(e) => {
              const text = e.target.value;
              if (isMoment(text)) edit('table', (now) => onTheTable(now, fromField(text)));
            }}
          />
        </>
      }
    >
      <Part>
        {dayOf(evening.serveAt)} at {hhmm(evening.serveAt)}
      </Part>
    </Pop>
  );
}

/** How many hands there are, and when they are away. */
export function HandsPart({ evening, edit, catalog }: Props) {
  const hands = within(catalog, 'supper.hands');
  return (
    <Pop
      title="Hands"
      body={
        <>
          <Stepper
            label="Pairs of hands"
            value={evening.hands}
            {...hands}
            onChange={(n) => edit('hands', (e) => ({ ...e, hands: n }))}
          />
          <Away evening={evening} edit={edit} />
        </>
      }
    >
      <Part>
        {evening.hands === 1 ? 'one pair of hands' : `${word(evening.hands)} pairs of hands`}
        {(evening.away ?? []).length > 0 ? ', at times away' : ''}
      </Part>
    </Pop>
  );
}

/** The rings of the hob. */
export function HobPart({ evening, edit, catalog }: Props) {
  return (
    <Pop
      title="Rings of the hob"
      body={
        <Stepper
          label="Rings"
          value={evening.hobs}
          {...within(catalog, 'supper.hobs')}
          onChange={(n) => edit('hobs', (e) => ({ ...e, hobs: n }))}
        />
      }
    >
      <Part>{evening.hobs === 1 ? 'one ring' : `${word(evening.hobs)} rings`}</Part>
    </Pop>
  );
}

/** Where things wait. */
export function WaitPart({ evening, edit, catalog, units }: Props & { units: Units }) {
  const warm = units.heat.stepper(within(catalog, 'supper.oven.warmC'));
  return (
    <Pop
      title="Where things wait"
      body={
        <>
          <Choice
            label="An oven kept warm"
            row
            options={[
              { id: 'yes', name: 'A warm oven' },
              { id: 'no', name: 'A rack in the room' },
            ]}
            value={evening.warmC > 0 ? 'yes' : 'no'}
            onChange={(v) => edit('oven', (e) => ({ ...e, warmC: v === 'yes' ? catalog.usual.warmC : 0 }))}
          />
          {evening.warmC > 0 ? (
            <Stepper
              label="Kept at"
              value={units.heat.to(evening.warmC)}
              {...warm}
              onChange={(v) => edit('warm', (e) => ({ ...e, warmC: units.heat.from(v) }))}
            />
          ) : null}
        </>
      }
    >
      <Part>{evening.warmC > 0 ? `an oven at ${units.temperature(evening.warmC)}` : 'a rack in the room'}</Part>
    </Pop>
  );
}
