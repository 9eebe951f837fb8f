import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Stepper } from '../ui/Stepper';
import type { Props } from './Controls';
import { Labelled, Select } from './Items';

const litres = (g: number) => Math.round(g / 100) / 10;

/** Dry, in a brine or in a soak; with which salt, how much and how long. */
export function Salting({ bench, set, answer, pantry }: Props) {
  const s = bench.salting;
  if (!s) return null;
  const even = Math.max(0.5, Math.ceil((answer.evenHours ?? 0) * 2) / 2);
  const change = (what: string, more: Partial<typeof s>) =>
    set(what, (b) => (b.salting ? { ...b, salting: { ...b.salting, ...more } } : b));
  return (
    <>
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
        onChange={(school) =>
          change(
            'school',
            school === 'dry'
              ? { school }
              : {
                  school,
                  waterG: s.waterG || 1000,
                  strengthPct: school === 'brine' ? 5 : 1,
                  liquid: school === 'soak' ? 'buttermilk' : undefined,
                },
          )
        }
      />
      <Labelled>
        Salt at hand
        <Select value={s.salt ?? 'salt-fine'} onChange={(e) => change('salt kind', { salt: e.target.value })}>
          {pantry
            .filter((p) => p.salt >= 90)
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
            unit="litres"
            value={litres(s.waterG ?? 1000)}
            min={0.2}
            max={15}
            step={0.1}
            onChange={(l) => change('water', { waterG: l * 1000 })}
          />
          <Stepper
            label="Strength"
            unit="% salt"
            value={s.strengthPct ?? 5}
            min={s.school === 'soak' ? 0 : 0.5}
            max={20}
            step={0.5}
            onChange={(strengthPct) => change('strength', { strengthPct })}
          />
        </>
      ) : (
        <Choice
          label="Salted"
          row
          options={[
            { id: '0.8', name: 'Mild' },
            { id: '1', name: 'Usual' },
            { id: '1.25', name: 'Bold' },
          ]}
          value={String(s.targetPct ?? 1)}
          onChange={(v) => change('target', { targetPct: Number(v) })}
        />
      )}
      <Choice
        label="The middle is to have"
        row
        options={[
          { id: '0.2', name: 'A little' },
          { id: '0.5', name: 'Half' },
          { id: '0.8', name: 'Nearly all' },
        ]}
        value={String(s.even || 0.5)}
        onChange={(v) => change('evenness', { even: Number(v) })}
      />
      {answer.evenHours && answer.evenHours <= 48 && Math.abs(even - s.hours) > 0.3 ? (
        <Button onPress={() => change('salt hours', { hours: even })}>Give it {even} hours</Button>
      ) : null}
      <Stepper
        label="For"
        unit="hours"
        value={s.hours}
        min={0.5}
        max={48}
        step={0.5}
        onChange={(hours) => change('salt hours', { hours })}
      />
    </>
  );
}
