import { type Run } from '../ui/history';
import type { Catalog, Schemas } from '../api/client';
import { limitOf } from '../api/limits';
import type { Units } from '../format/units';
import { Choice } from '../ui/Choice';
import { Pop } from '../ui/Pop';
import { Line, Part } from '../ui/sentence';
import { Stepper } from '../ui/Stepper';
import { ComesPart, Dip, PiecesPart, saysOf, StarchPart, ThickPart, type ForWhom } from './PanParts';
import type { Sauce, SauceAnswer, Serving } from './usePan';

interface Props {
  serving: Serving;
  answer: SauceAnswer | undefined;
  servings: number;
  catalog: Catalog;
  pantry: Schemas['Ingredient'][];
  whom: ForWhom;
  change: (run: Run, more: Partial<Serving>) => void;
  cook: (run: Run, more: Partial<Sauce>) => void;
  units: Units;
}

/** A sauce as one sentence; each underlined part is a choice. */
export function PanSentence({ serving, answer, servings, catalog, pantry, whom, change, cook, units }: Props) {
  const { schools, heats, ways, grains, usual } = catalog.pan;
  const sauce = { ...usual.sauce, ...serving.sauce };
  const at = { sauce, serving, catalog, pantry, change, cook, units };
  const width = serving.sauce.widthCm ?? answer?.made.widthCm ?? sauce.widthCm ?? 0;
  const dip = answer ? answer.made.dipG / servings : 0;
  const boils = sauce.school === 'reduce' || sauce.school === 'thicken';
  const how = ways.find((w) => w.id === (serving.how ?? usual.how));
  const beside = how?.id === 'beside';
  const grain = how?.own ? grains.find((g) => g.id === serving.grain)?.name : undefined;
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
        <Part>{saysOf(schools, sauce.school)}</Part>
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
            <Part>{saysOf(heats, sauce.heat)}</Part>
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
                value={units.across.to(width)}
                {...units.across.stepper(limitOf(catalog, 'sauce.widthCm'))}
                onChange={(v) => cook('pan', { widthCm: units.across.from(v) })}
              />
            }
          >
            <Part>{units.across.words(width)}</Part>
          </Pop>
        </>
      )}
      {sauce.school === 'mix' || sauce.school === 'melt' ? null : (
        <>
          {' '}
          until it <ThickPart {...at} />
        </>
      )}
      {sauce.school === 'thicken' ? (
        <>
          , with <StarchPart {...at} />
        </>
      ) : null}
      , <ComesPart {...at} /> <PiecesPart {...at} whom={whom} />
      {!beside && (serving.atTable || how?.plated) ? ' at the table' : ''}
      {grain ? `, with ${grain}` : ''}, <Dip dip={dip} catalog={catalog} change={change} units={units} />.
    </Line>
  );
}
