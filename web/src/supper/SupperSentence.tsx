import styled from 'styled-components';
import type { Catalog, Fryer, Plan } from '../api/client';
import { within } from '../api/limits';
import type { Units } from '../format/units';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { fieldBox } from '../ui/field';
import { Pop } from '../ui/Pop';
import { Select } from '../ui/Select';
import { Line, Part, Whole } from '../ui/sentence';
import { Stepper } from '../ui/Stepper';
import { Written } from '../ui/Written';
import { SideSteps } from './SideSteps';
import { dayOf, fromField, hhmm, toField } from './time';
import type { EditSupper, Evening, Sheet } from './useSupper';

export const When = styled.input`
  ${fieldBox}
  font-size: 18px;
  font-weight: 600;
  width: 100%;
`;

const Said = styled.span`
  color: var(--quiet);
  font-weight: 600;
`;

interface Props {
  name: string;
  rename: (name: string) => void;
  evening: Evening;
  edit: EditSupper;
  plans: Plan[];
  fryers: Fryer[];
  catalog: Catalog;
  units: Units;
  sheet: Sheet | null;
}

const numbers = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];
const word = (n: number) => numbers[n] ?? String(n);

/** A supper as one sentence; each underlined part is a choice. */
export function SupperSentence({ name, rename, evening, edit, plans, catalog, units, sheet }: Props) {
  const hands = within(catalog, 'supper.hands');
  const people = within(catalog, 'supper.people');
  const warm = units.heat.stepper(within(catalog, 'supper.oven.warmC'));
  const sides = evening.sides ?? [];
  const parts = [
    ...evening.dishes.map((d, i) => {
      const plan = plans.find((p) => p.id === d.planId);
      return (
        <Pop
          key={d.planId}
          title={plan?.name ?? 'A dish that is gone'}
          body={(close) => (
            <>
              <Choice
                label="In which fryer"
                options={[
                  { id: 'own', name: 'Its own' },
                  { id: 'any', name: 'Any, as the sheet likes' },
                ]}
                value={d.anyFryer ? 'any' : 'own'}
                onChange={(v) =>
                  edit('fryer', (e) => ({
                    ...e,
                    dishes: e.dishes.map((o, k) => (k === i ? { ...o, anyFryer: v === 'any' || undefined } : o)),
                  }))
                }
              />
              <Choice
                label="A flash at the end, for what has waited"
                options={[
                  { id: 'weighed', name: 'If it is worth it' },
                  { id: 'yes', name: 'Yes' },
                  { id: 'no', name: 'No' },
                ]}
                value={d.flash === undefined ? 'weighed' : d.flash ? 'yes' : 'no'}
                onChange={(v) =>
                  edit('flash', (e) => ({
                    ...e,
                    dishes: e.dishes.map((o, k) =>
                      k === i ? { ...o, flash: v === 'weighed' ? undefined : v === 'yes' } : o,
                    ),
                  }))
                }
              />
              {evening.dishes.length > 1 ? (
                <Button
                  onPress={() => {
                    edit('remove a dish', (e) => ({
                      ...e,
                      dishes: e.dishes.filter((_, k) => k !== i),
                      order: undefined,
                      pins: (e.pins ?? []).filter((p) => !p.task.startsWith(`${d.planId}/`)),
                    }));
                    close();
                  }}
                >
                  Not this time
                </Button>
              ) : null}
            </>
          )}
        >
          <Part>{plan?.name ?? 'a dish that is gone'}</Part>
        </Pop>
      );
    }),
    ...sides.map((side, i) => (
      <Pop
        key={side.id}
        title="A side with steps of its own"
        width={440}
        body={(close) => (
          <SideSteps
            side={side}
            hands={evening.hands}
            change={(next) =>
              edit(`side ${i}`, (e) => ({ ...e, sides: (e.sides ?? []).map((o, k) => (k === i ? next : o)) }))
            }
            drop={() => {
              edit('remove a side', (e) => ({ ...e, sides: (e.sides ?? []).filter((_, k) => k !== i) }));
              close();
            }}
          />
        )}
      >
        <Part>{side.name ?? side.id}</Part>
      </Pop>
    )),
  ];
  return (
    <Line aria-label="The supper">
      <Pop title="What it is called" body={<Written label="Its name" value={name} onChange={rename} />}>
        <Part>{name || 'A supper'}</Part>
      </Pop>{' '}
      for{' '}
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
      , on the table{' '}
      <Whole>
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
                  if (/^\d{4}-\d\d-\d\dT\d\d:\d\d/.test(text))
                    edit('table', (now) => ({ ...now, serveAt: fromField(text), pins: undefined }));
                }}
              />
            </>
          }
        >
          <Part>
            {dayOf(evening.serveAt)} at {hhmm(evening.serveAt)}
          </Part>
        </Pop>
        :
      </Whole>{' '}
      {parts.map((p, i) => (
        <span key={i}>
          {i === 0 ? '' : i === parts.length - 1 ? ' and ' : ', '}
          {p}
        </span>
      ))}
      <span className="no-print">, </span>
      <Pop
        title="Something more"
        body={(close) => (
          <>
            <label>
              <span className="quietly">A dish</span>
              <Select
                value=""
                onChange={(ev) => {
                  const id = ev.target.value;
                  if (id)
                    edit('add a dish', (e) => ({ ...e, dishes: [...e.dishes, { planId: id }], order: undefined }));
                  close();
                }}
              >
                <option value="">A dish…</option>
                {plans
                  .filter((p) => !evening.dishes.some((d) => d.planId === p.id))
                  .map((p) => (
                    <option key={p.id} value={p.id}>
                      {p.name}
                    </option>
                  ))}
              </Select>
            </label>
            <Button
              onPress={() => {
                edit('add a side', (e) => ({
                  ...e,
                  sides: [
                    ...(e.sides ?? []),
                    {
                      id: `side${(e.sides ?? []).length + 1}-${Date.now().toString(36)}`,
                      name: 'A salad',
                      holdsMin: 60,
                      steps: [{ says: 'cut and dress', place: 'board', minutes: 10, hands: 1 }],
                    },
                  ],
                }));
                close();
              }}
            >
              A side with steps of its own
            </Button>
          </>
        )}
      >
        <Part className="no-print">and more</Part>
      </Pop>
      , with{' '}
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
      ,{' '}
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
      </Pop>{' '}
      and{' '}
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
      .{' '}
      {sheet ? (
        <Said>
          {sheet.onTime
            ? `So begin ${begins(sheet)}.`
            : `It is on the table at ${hhmm(sheet.serveAt)} at the earliest.`}
        </Said>
      ) : null}
    </Line>
  );
}

const begins = (s: Sheet) =>
  new Date(s.startAt).toDateString() === new Date(s.serveAt).toDateString()
    ? `at ${hhmm(s.startAt)}`
    : `${dayOf(s.startAt)} at ${hhmm(s.startAt)}`;

/** When hands are away. */
function Away({ evening, edit }: { evening: Evening; edit: EditSupper }) {
  const away = evening.away ?? [];
  const put = (what: string, next: typeof away) =>
    edit(what, (e) => ({ ...e, away: next.length > 0 ? next : undefined }));
  return (
    <>
      {away.map((a, i) => (
        <div key={i}>
          <When
            aria-label="Away from"
            type="datetime-local"
            value={toField(a.from)}
            onChange={(e) =>
              put(
                `away ${i}`,
                away.map((o, k) => (k === i ? { ...o, from: fromField(e.target.value) } : o)),
              )
            }
          />

          <When
            aria-label="Away until"
            type="datetime-local"
            value={toField(a.until)}
            onChange={(e) =>
              put(
                `away ${i}`,
                away.map((o, k) => (k === i ? { ...o, until: fromField(e.target.value) } : o)),
              )
            }
          />

          <Button
            onPress={() =>
              put(
                'remove away',
                away.filter((_, k) => k !== i),
              )
            }
          >
            Here after all
          </Button>
        </div>
      ))}
      <Button
        onPress={() => {
          const end = Date.parse(evening.serveAt) - 60 * 60_000;
          put('add away', [
            ...away,
            { from: new Date(end - 30 * 60_000).toISOString(), until: new Date(end).toISOString() },
          ]);
        }}
      >
        Away for a while
      </Button>
    </>
  );
}
