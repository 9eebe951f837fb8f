import type { Catalog, Schemas } from '../api/client';
import { within } from '../api/limits';
import { Choice } from '../ui/Choice';
import { Pop } from '../ui/Pop';
import { Line, Part } from '../ui/sentence';
import { Stepper } from '../ui/Stepper';
import type { Sauce, SauceAnswer, Serving } from './usePan';
import { nearest } from './thick';

interface Props {
  serving: Serving;
  answer: SauceAnswer | undefined;
  servings: number;
  catalog: Catalog;
  pantry: Schemas['Ingredient'][];
  change: (what: string, more: Partial<Serving>) => void;
  cook: (what: string, more: Partial<Sauce>) => void;
}

const percent = (v: number) => Math.round(v * 100);

/** A sauce as one sentence; each underlined part is a choice. */
export function PanSentence({ serving, answer, servings, catalog, pantry, change, cook }: Props) {
  const { schools, heats, ways, levels, starches, usual } = catalog.pan;
  const sauce = { ...usual.sauce, ...serving.sauce };
  const how = serving.how ?? usual.how ?? '';
  const says = (of: Schemas['Choice'][], id: string | undefined) => of.find((c) => c.id === id)?.says ?? id ?? '';
  const wanted = sauce.clingsG ?? 0;
  const level = nearest(levels, wanted);
  const width = sauce.widthCm ?? 0;
  const starch = sauce.starch ?? '';
  const all = serving.share ?? usual.share ?? 1;
  const dip = answer ? Math.round(answer.made.dipG / servings) : 0;
  const boils = sauce.school === 'reduce' || sauce.school === 'thicken';
  const share = within(catalog, 'serving.share');
  return (
    <Line aria-label="The sauce">
      {serving.name || 'A sauce'},{' '}
      <Pop
        title="How it is made"
        body={(close) => (
          <>
            <Choice
              label="How it is made"
              quiet
              options={schools}
              value={sauce.school}
              onChange={(id) => cook('how it is made', { school: id })}
              onMeant={close}
            />
          </>
        )}
      >
        <Part>{says(schools, sauce.school)}</Part>
      </Pop>
      {boils ? (
        <>
          {' '}
          <Pop
            title="Heat of the hob"
            body={(close) => (
              <Choice
                label="Heat"
                quiet
                options={heats}
                value={sauce.heat ?? null}
                onChange={(id) => cook('heat', { heat: id })}
                onMeant={close}
              />
            )}
          >
            <Part>{says(heats, sauce.heat)}</Part>
          </Pop>
        </>
      ) : null}
      {sauce.school === 'mix' ? null : (
        <>
          {' '}
          in a pan of{' '}
          <Pop
            title="The pan, across its bottom"
            body={
              <Stepper
                label="Across"
                value={width}
                {...within(catalog, 'sauce.widthCm')}
                onChange={(v) => cook('pan', { widthCm: v })}
              />
            }
          >
            <Part>{width} cm</Part>
          </Pop>
        </>
      )}
      {sauce.school === 'mix' || sauce.school === 'melt' ? null : (
        <>
          {' '}
          until it{' '}
          <Pop
            title="How thick"
            body={(close) => (
              <>
                <Choice
                  label="How thick"
                  quiet
                  options={levels.map((l) => ({ id: String(l.g), name: l.name, note: `${l.g} g cling to 100 cm²` }))}
                  value={levels.some((l) => l.g === wanted) ? String(wanted) : null}
                  onChange={(g) => cook('how thick', { clingsG: Number(g) })}
                  onMeant={close}
                />
                <Stepper
                  label="Clings to 100 cm²"
                  value={wanted}
                  {...within(catalog, 'sauce.clingsG')}
                  onChange={(v) => cook('how thick', { clingsG: v })}
                />
              </>
            )}
          >
            <Part>{level}</Part>
          </Pop>
        </>
      )}
      {sauce.school === 'thicken' ? (
        <>
          , with{' '}
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
        </>
      ) : null}
      ,{' '}
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
            {how === 'beside' ? null : (
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
      </Pop>{' '}
      <Pop
        title="For which pieces"
        body={
          <Stepper
            label="Share of the pieces"
            unit="%"
            value={percent(all)}
            min={percent(share.min)}
            max={percent(share.max)}
            step={percent(share.step)}
            onChange={(v) => change('share', { share: v / 100 })}
          />
        }
      >
        <Part>{all >= 0.999 ? 'all pieces' : `${percent(all)} % of them`}</Part>
      </Pop>
      {how !== 'beside' && serving.atTable ? ' at the table' : ''}, <Dip dip={dip} catalog={catalog} change={change} />.
    </Line>
  );
}

function Dip({ dip, catalog, change }: { dip: number; catalog: Catalog; change: Props['change'] }) {
  return (
    <Pop
      title="To dip, for each serving"
      body={
        <Stepper
          label="Beside each serving"
          unit="g"
          value={dip}
          min={within(catalog, 'serving.dipG').min}
          max={within(catalog, 'serving.dipG').max}
          step={within(catalog, 'serving.dipG').step}
          onChange={(v) => change('dip', { dipG: v })}
        />
      }
    >
      <Part>{dip > 0 ? `with ${dip} g to dip for each` : 'nothing to dip'}</Part>
    </Pop>
  );
}
