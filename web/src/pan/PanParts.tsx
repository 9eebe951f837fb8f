import { type Run } from '../ui/history';
import type { Catalog, Schemas } from '../api/client';
import { limitOf, within } from '../api/limits';
import type { Units } from '../format/units';
import { Choice } from '../ui/Choice';
import { Pop } from '../ui/Pop';
import { Part } from '../ui/sentence';
import { Stepper } from '../ui/Stepper';
import { called } from './thick';
import type { Sauce, Serving } from './usePan';

export interface SauceProps {
  sauce: Sauce;
  serving: Serving;
  catalog: Catalog;
  pantry: Schemas['Ingredient'][];
  change: (run: Run, more: Partial<Serving>) => void;
  cook: (run: Run, more: Partial<Sauce>) => void;
  units: Units;
}

/** What a choice is called in the sentence. */
export const saysOf = (of: Schemas['Choice'][], id: string | undefined) =>
  of.find((c) => c.id === id)?.says ?? id ?? '';

const percent = (v: number) => Math.round(v * 100);

/** How thick it gets. */
export function ThickPart({ sauce, catalog, cook }: SauceProps) {
  const { levels } = catalog.pan;
  const wanted = sauce.clingsG ?? 0;
  const level = called(levels, wanted);
  return (
    <Pop
      title="How thick"
      body={(close) => (
        <>
          <Choice
            label="How thick"
            quiet
            options={levels.map((l) => ({ id: String(l.g), name: l.name }))}
            value={levels.some((l) => l.g === wanted) ? String(wanted) : null}
            onChange={(g) => cook('how thick', { clingsG: Number(g) })}
            onMeant={close}
          />
          <Stepper
            label="Grams that cling to 100 cm²"
            value={wanted}
            {...within(catalog, 'sauce.clingsG')}
            onChange={(v) => cook('how thick', { clingsG: v })}
          />
        </>
      )}
    >
      <Part>{level}</Part>
    </Pop>
  );
}

/** Which starch binds it. */
export function StarchPart({ sauce, catalog, pantry, cook }: SauceProps) {
  const { starches } = catalog.pan;
  const starch = sauce.starch ?? '';
  return (
    <Pop
      title="Which starch"
      body={
        <>
          <Choice
            label="Starch"
            quiet
            options={starches.flatMap((id) => {
              const i = pantry.find((p) => p.id === id);
              return i ? [{ id, name: i.name }] : [];
            })}
            value={starch}
            onChange={(id) => cook('starch', { starch: id })}
          />
          <Stepper
            label="Simmers first"
            value={sauce.simmerMin ?? 0}
            {...within(catalog, 'sauce.simmerMin')}
            onChange={(v) => cook('simmers', { simmerMin: v })}
          />
        </>
      }
    >
      <Part>{pantry.find((p) => p.id === starch)?.name ?? starch}</Part>
    </Pop>
  );
}

/** What lies under a sauce that is ladled, and how much of it. */
function GrainChoice({
  serving,
  catalog,
  change,
  units,
}: Pick<SauceProps, 'serving' | 'catalog' | 'change' | 'units'>) {
  const { grains } = catalog.pan;
  const grain = grains.find((g) => g.id === serving.grain);
  return (
    <>
      <Choice
        label="With"
        row
        options={[{ id: 'none', name: 'Nothing under it' }, ...grains.map((g) => ({ id: g.id, name: g.name }))]}
        value={serving.grain ?? 'none'}
        onChange={(id) => change('under it', { grain: id === 'none' ? undefined : id, grainG: undefined })}
      />
      {grain ? (
        <Stepper
          label={`Dry ${grain.name}, a serving`}
          value={units.weight.to(serving.grainG ?? grain.g)}
          {...units.weight.stepper(limitOf(catalog, 'serving.grainG'))}
          onChange={(v) => change('under it', { grainG: units.weight.from(v) })}
        />
      ) : null}
    </>
  );
}

/** How it comes to the food, and when. */
export function ComesPart({ serving, catalog, change, units }: SauceProps) {
  const { ways, usual } = catalog.pan;
  const how = serving.how ?? usual.how ?? '';
  const way = ways.find((w) => w.id === how);
  const says = saysOf;
  return (
    <Pop
      title="How it comes to the food"
      body={
        <>
          <Choice
            label="How"
            quiet
            options={ways}
            value={how}
            onChange={(id) => change('how', { how: id, dipG: undefined })}
          />
          {way?.plated && !way.own ? (
            <Stepper
              label="Over each serving"
              value={units.weight.to(serving.pourG ?? usual.pourG ?? 0)}
              {...units.weight.stepper(limitOf(catalog, 'serving.pourG'))}
              onChange={(v) => change('poured', { pourG: units.weight.from(v) })}
            />
          ) : null}
          {way?.own ? <GrainChoice {...{ serving, catalog, change, units }} /> : null}
          {how === 'beside' || way?.plated ? null : (
            <Choice
              label="When"
              row
              options={[
                { id: 'now', name: 'At the stove' },
                { id: 'table', name: 'At the table' },
              ]}
              value={serving.atTable ? 'table' : 'now'}
              onChange={(id) => change('when', { atTable: id === 'table' })}
            />
          )}
        </>
      }
    >
      <Part>{says(ways, how)}</Part>
    </Pop>
  );
}

/** The lots of a dish by name, none where there is one; which of them it is for; how it is said to be for another. */
export interface ForWhom {
  lots: string[];
  of: number | undefined;
  setOf: (of: number | undefined) => void;
}

/** Which lot something is for, or all of them. */
export function Whom({ lots, of, setOf }: ForWhom) {
  return (
    <Choice
      label="For whom"
      row
      options={[{ id: 'all', name: 'All of it' }, ...lots.map((name, k) => ({ id: String(k), name: `The ${name}` }))]}
      value={of === undefined ? 'all' : String(of)}
      onChange={(id) => setOf(id === 'all' ? undefined : Number(id))}
    />
  );
}

const piecesSay = (all: number, of: string) =>
  all >= 0.999 ? (of === '' ? 'all pieces' : `the ${of}`) : `${percent(all)} % of ${of === '' ? 'them' : `the ${of}`}`;

/** For which pieces it is. */
export function PiecesPart({ serving, catalog, change, whom }: SauceProps & { whom: ForWhom }) {
  const all = serving.share ?? catalog.pan.usual.share ?? 1;
  const share = within(catalog, 'serving.share');
  return (
    <Pop
      title="For which pieces"
      body={
        <>
          {whom.lots.length > 1 ? <Whom {...whom} /> : null}
          <Stepper
            label="Share of the pieces"
            unit="%"
            value={percent(all)}
            min={percent(share.min)}
            max={percent(share.max)}
            step={percent(share.step)}
            onChange={(v) => change('share', { share: v / 100 })}
          />
        </>
      }
    >
      <Part>{piecesSay(all, whom.of === undefined ? '' : (whom.lots[whom.of] ?? ''))}</Part>
    </Pop>
  );
}

/** What is beside it, to dip. */
export function Dip({
  dip,
  catalog,
  change,
  units,
}: { dip: number } & Pick<SauceProps, 'catalog' | 'change' | 'units'>) {
  return (
    <Pop
      title="To dip, for each serving"
      body={
        <Stepper
          label="Beside each serving"
          value={units.weight.to(dip)}
          {...units.weight.stepper(limitOf(catalog, 'serving.dipG'))}
          onChange={(v) => change('dip', { dipG: units.weight.from(v) })}
        />
      }
    >
      <Part>{dip > 0 ? `with ${units.mass(dip)} to dip for each` : 'nothing to dip'}</Part>
    </Pop>
  );
}
