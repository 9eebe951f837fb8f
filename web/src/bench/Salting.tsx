import { type Run } from '../ui/history';
import type { Schemas } from '../api/client';
import { limitOf, within } from '../api/limits';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Labelled, Select } from '../ui/Select';
import { Stepper } from '../ui/Stepper';
import type { StationProps } from './props';

const levels = (list: Schemas['Level'][]) => list.map((l) => ({ id: String(l.value), name: l.name }));

const none = { waterG: undefined, strengthPct: undefined, liquid: undefined };

/** Dry, in a brine or in a soak; with which salt, how much and how long. */
export function Salting({
  bench,
  set,
  answer,
  salts,
  pantry,
  catalog,
  units,
  about,
}: StationProps & { about: string }) {
  const s = bench.salting;
  if (!s) return null;
  const change = (run: Run, more: Partial<typeof s>) =>
    set(run, (b) => (b.salting ? { ...b, salting: { ...b.salting, ...more } } : b));
  const school = (
    <Choice
      label="School"
      quiet
      row
      options={[
        { id: 'dry', name: 'Dry' },
        { id: 'brine', name: 'Wet brine' },
        { id: 'soak', name: 'Soak' },
      ]}
      value={s.school}
      onChange={(school) => {
        const { usual } = catalog;
        const start = { dry: usual.bench.salting, brine: usual.brine, soak: usual.soak }[school];
        // The hours, the salt and how even it is to be stay.
        change('school', { ...start, hours: s.hours, salt: s.salt, even: s.even, ...(school === 'dry' ? none : {}) });
      }}
    />
  );
  if (about === 'school') return school;
  if (about === 'hours')
    return (
      <>
        <Stepper
          label="For"
          unit="hours"
          value={s.hours}
          {...within(catalog, 'bench.salting.hours')}
          onChange={(hours) => change('salt hours', { hours })}
        />
        <Choice
          label="The middle is to have"
          row
          options={levels(catalog.usual.even)}
          value={String(s.even || catalog.usual.bench.salting?.even)}
          onChange={(v) => change('evenness', { even: Number(v) })}
        />
        {answer.evenHours && answer.evenHours !== s.hours ? (
          <Button onPress={() => change('salt hours', { hours: answer.evenHours ?? s.hours })}>
            Give it {answer.evenHours} hours
          </Button>
        ) : null}
      </>
    );
  return (
    <>
      <Labelled>
        Salt at hand
        <Select
          value={s.salt ?? catalog.usual.bench.salting?.salt}
          onChange={(e) => change('salt kind', { salt: e.target.value })}
        >
          {pantry
            .filter((p) => salts.includes(p.id))
            .map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
        </Select>
      </Labelled>
      {s.school !== 'dry' ? (
        <>
          {s.school === 'soak' ? (
            <Choice
              label="In"
              row
              options={[
                { id: 'water', name: 'Water' },
                { id: 'milk', name: 'Milk' },
                { id: 'buttermilk', name: 'Buttermilk' },
              ]}
              value={s.liquid ?? 'water'}
              onChange={(liquid) => change('liquid', { liquid })}
            />
          ) : null}
          <Stepper
            label={s.school === 'soak' ? 'How much' : 'Water'}
            value={units.volume.to(s.waterG ?? 0)}
            {...units.volume.stepper(limitOf(catalog, 'bench.salting.waterG'))}
            onChange={(v) => change('water', { waterG: units.volume.from(v) })}
          />
          <Stepper
            label="Strength"
            unit="% salt"
            value={s.strengthPct ?? 0}
            {...within(catalog, 'bench.salting.strengthPct')}
            onChange={(strengthPct) => change('strength', { strengthPct })}
          />
        </>
      ) : (
        <Choice
          label="Salted"
          row
          options={levels(catalog.usual.salt)}
          value={String(s.targetPct)}
          onChange={(v) => change('target', { targetPct: Number(v) })}
        />
      )}
    </>
  );
}
