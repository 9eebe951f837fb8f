import type { Catalog, Plan, Schemas } from '../api/client';
import type { Units } from '../format/units';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Stepper } from '../ui/Stepper';
import { Bowls } from './Bowls';
import { Items, Select } from './Items';
import type { Bench, BenchAnswer } from './useBench';

interface Props {
  station: string;
  bench: Bench;
  set: (what: string, change: (now: Bench) => Bench) => void;
  plan: Plan;
  answer: BenchAnswer;
  pantry: Schemas['Ingredient'][];
  catalog: Catalog;
  units: Units;
}

/** The schools and figures of one station. */
export function Controls({ station, bench, set, answer, pantry, units }: Props) {
  const litres = (g: number) => Math.round(g / 100) / 10;
  switch (station) {
    case 'cut': {
      const c = bench.cutting ?? {};
      return (
        <>
          <Stepper
            label="Cut from a whole weight of"
            unit={units.gram}
            value={units.toMass(c.wholeG ?? 0)}
            min={0}
            max={units.toMass(10000)}
            step={units.gram === 'oz' ? 1 : 10}
            onChange={(m) =>
              set('whole', (b) => ({ ...b, cutting: { ...b.cutting, wholeG: Math.round(units.fromMass(m)) } }))
            }
          />
          {answer.makings.length > 0 ? (
            <Choice
              label="Made into"
              options={[
                { id: '', name: 'Left as they are' },
                ...answer.makings.map((m) => ({ id: m.to, name: m.says })),
              ]}
              value={c.as ?? ''}
              onChange={(as) => set('as', (b) => ({ ...b, cutting: { ...b.cutting, as: as || undefined } }))}
            />
          ) : null}
          <Choice
            label="How even are they"
            row
            options={[
              { id: '4', name: 'Very even' },
              { id: '8', name: 'By a careful hand' },
              { id: '16', name: 'As they come' },
            ]}
            value={String(c.spreadPct ?? 8)}
            onChange={(v) => set('spread', (b) => ({ ...b, cutting: { ...b.cutting, spreadPct: Number(v) } }))}
          />
        </>
      );
    }
    case 'dry': {
      const d = bench.drying;
      const school = d.school ?? 'wipe';
      return (
        <>
          <Choice
            label="School"
            quiet
            options={[
              { id: 'wipe', name: 'Wipe with paper' },
              { id: 'rack', name: 'Wipe, then the rack in the fridge' },
              { id: 'rinse', name: 'Rinse and wipe', note: 'not advised for poultry' },
              { id: 'wet', name: 'Leave it wet' },
            ]}
            value={school}
            onChange={(s) =>
              set('drying', (b) => ({ ...b, drying: { school: s, hours: s === 'rack' ? d.hours || 2 : 0 } }))
            }
          />
          {school === 'rack' ? (
            <Stepper
              label="On the rack"
              unit="hours"
              value={d.hours ?? 2}
              min={0.5}
              max={48}
              step={0.5}
              onChange={(hours) => set('rack', (b) => ({ ...b, drying: { school: 'rack', hours } }))}
            />
          ) : null}
        </>
      );
    }
    case 'salt': {
      const s = bench.salting;
      if (!s) return null;
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
            ]}
            value={s.school === 'brine' ? 'brine' : 'dry'}
            onChange={(school) =>
              change(
                'school',
                school === 'brine' ? { school, waterG: s.waterG || 1000, strengthPct: s.strengthPct || 5 } : { school },
              )
            }
          />
          <label>
            <span>Salt at hand</span>
            <Select value={s.salt ?? 'salt-fine'} onChange={(e) => change('salt kind', { salt: e.target.value })}>
              {pantry
                .filter((p) => p.salt >= 90)
                .map((p) => (
                  <option key={p.id} value={p.id}>
                    {p.name}
                  </option>
                ))}
            </Select>
          </label>
          {s.school === 'brine' ? (
            <>
              <Stepper
                label="Water"
                unit="litres"
                value={litres(s.waterG ?? 1000)}
                min={0.2}
                max={15}
                step={0.1}
                onChange={(l) => change('water', { waterG: l * 1000 })}
              />
              <Stepper
                label="Strength"
                unit="% of the water"
                value={s.strengthPct ?? 5}
                min={0.5}
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
    case 'marinade': {
      const m = bench.marinade;
      if (!m) return null;
      const change = (what: string, more: Partial<typeof m>) =>
        set(what, (b) => (b.marinade ? { ...b, marinade: { ...b.marinade, ...more } } : b));
      const scale = m.forG ? answer.massG / m.forG : 1;
      return (
        <>
          <Items
            label="Marinade"
            items={m.items}
            pantry={pantry}
            onChange={(items) => change('items', { items, forG: answer.massG })}
          />
          {Math.abs(scale - 1) > 0.02 ? (
            <Button
              onPress={() =>
                change('scale', {
                  items: m.items.map((it) => ({ ...it, g: Math.round(it.g * scale * 10) / 10 })),
                  forG: answer.massG,
                })
              }
            >
              Scale it to {units.mass(answer.massG)}
            </Button>
          ) : null}
          <Stepper
            label="For"
            unit="hours"
            value={m.hours}
            min={0.25}
            max={48}
            step={0.25}
            onChange={(hours) => change('hours', { hours })}
          />
          <Stepper
            label="Dry seasoning kept for the coat"
            unit="%"
            value={Math.round((m.coatShare ?? 0) * 100)}
            min={0}
            max={100}
            step={10}
            onChange={(v) => change('share', { coatShare: v / 100 })}
          />
        </>
      );
    }
    case 'coat': {
      const c = bench.coating;
      const change = (what: string, more: Partial<typeof c>) =>
        set(what, (b) => ({ ...b, coating: { ...b.coating, ...more } }));
      return (
        <>
          <Choice
            label="Oil"
            row
            options={[
              { id: 'none', name: 'None' },
              { id: 'mist', name: 'Mist' },
              { id: 'brush', name: 'Brush' },
              { id: 'toss', name: 'Toss' },
            ]}
            value={c.oil ?? null}
            onChange={(oil) => change('oil', { oil, passes: c.passes ?? 1 })}
          />
          {c.oil && c.oil !== 'none' ? (
            <Stepper
              label="Passes"
              value={c.passes ?? 1}
              min={1}
              max={6}
              onChange={(passes) => change('passes', { passes })}
            />
          ) : null}
          {answer.bowls.length > 0 ? <Bowls bowls={answer.bowls} bag={c.bag ?? false} /> : null}
          {answer.bowls.length > 0 ? (
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
          {answer.bowls.some((b) => b.ingredient.endsWith('-flour')) ? (
            <Choice
              label="Flour"
              row
              options={[
                { id: 'wheat-flour', name: 'Wheat' },
                { id: 'rice-flour', name: 'Rice, gluten-free' },
                { id: 'chickpea-flour', name: 'Chickpea, gluten-free' },
              ]}
              value={c.flour ?? 'wheat-flour'}
              onChange={(flour) => change('flour', { flour })}
            />
          ) : null}
          {answer.coat.id === 'flour-starch' ? (
            <Stepper
              label="Starch in the flour: more is crisper and paler"
              unit="%"
              value={Math.round((c.starch ?? 0) * 100)}
              min={0}
              max={50}
              step={5}
              onChange={(v) => change('starch', { starch: v / 100 })}
            />
          ) : null}
        </>
      );
    }
    case 'finish':
      return (
        <Items
          label="Finish"
          items={bench.finish ?? []}
          pantry={pantry}
          onChange={(finish) => set('finish', (b) => ({ ...b, finish }))}
        />
      );
  }
  return null;
}
