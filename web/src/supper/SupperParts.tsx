import type { Catalog } from '../api/client';
import { within } from '../api/limits';
import type { Units } from '../format/units';
import { Choice } from '../ui/Choice';
import { Pop } from '../ui/Pop';
import { Part } from '../ui/sentence';
import { Stepper } from '../ui/Stepper';
import { Away } from './Away';
import { dayOf, fromField, hhmm, isMoment, toField } from './time';
import type { EditSupper, Evening } from './useSupper';
import { When } from './When';
import { numberWord as word } from '../format/numbers';

interface Props {
  evening: Evening;
  edit: EditSupper;
  catalog: Catalog;
}

/** For how many. */
export function PeoplePart({ evening, edit, catalog }: Props) {
  const people = within(catalog, 'supper.people');
  return (
    <Pop
      title="For how many"
      body={
        <Stepper
          label="People"
          value={evening.people}
          {...people}
          onChange={(n) => edit('people', (e) => ({ ...e, people: n }))}
        />
      }
    >
      <Part>{word(evening.people)}</Part>
    </Pop>
  );
}

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
              if (isMoment(text)) edit('table', (now) => ({ ...now, serveAt: fromField(text), pins: undefined }));
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
