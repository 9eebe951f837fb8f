import { type Run } from '../ui/history';
import { useQueryClient } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { within } from '../api/limits';
import { dropSauce, keepSauce, usePantry, useSauces } from '../api/queries';
import { Items } from '../bench/Items';
import { Caution } from '../bench/StationCard';
import type { AtDishProps } from '../dish/AtDish';
import { minutes, type Units } from '../format/units';
import { at, type } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Card, Quiet } from '../ui/layout';
import { Own } from '../ui/Own';
import { Fold } from '../ui/Fold';
import { Written } from '../ui/Written';
import { Fates } from './Fates';
import type { ForWhom } from './PanParts';
import { PanRace } from './PanRace';
import { Makings } from './Makings';
import { PanSentence } from './PanSentence';
import { Spoon } from './Spoon';
import type { PanAnswer, Sauce, Serving } from './usePan';

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin: 6px 0 10px;
`;

const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 336px;
  gap: 16px;
  align-items: start;
  margin-bottom: 16px;
  ${at.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Half = styled(Two)`
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  ${at.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Stack = styled(Card)`
  display: grid;
  gap: 11px;
  align-content: start;
  h2 {
    font-size: 18px;
  }
`;

const Todo = styled(Stack)`
  ${at.narrow} {
    order: -1;
  }
`;

const Big = styled.div`
  display: flex;
  gap: 12px;
  align-items: center;
  strong {
    font: 700 42px/1 ${type.loud};
    letter-spacing: -0.02em;
  }
  span {
    font: 600 18px/1.2 ${type.loud};
  }
`;

const Steps = styled.ol`
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 7px;
  li {
    display: grid;
    grid-template-columns: 68px 1fr;
    gap: 8px;
  }
  b {
    white-space: nowrap;
    font-weight: 600;
    color: var(--quiet);
    font-size: 14.5px;
    padding-top: 1px;
  }
`;

const Facts = styled.dl`
  padding: 6px 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 22px;
  margin: 0;
  dt {
    color: var(--quiet);
    font-size: 14px;
  }
  dd {
    margin: 0;
    font: 700 19px/1.2 ${type.loud};
  }
`;

interface SauceProps extends Pick<AtDishProps, 'catalog' | 'pantry'> {
  serving: Serving;
  at: number;
  answer: PanAnswer | null;
  pending: boolean;
  units: Units;
  whom: ForWhom;
  change: (run: Run, more: Partial<Serving>) => void;
  drop: () => void;
  /** What else may be put on. */
  more: ReactNode;
}

/** One sauce: its sentence, its race, what to do, what is in it. */
export function OneSauce({
  serving,
  at,
  answer,
  pending,
  units,
  catalog,
  pantry,
  whom,
  change,
  drop,
  more,
}: SauceProps) {
  const { sauce } = serving;
  const cook = (run: Run, more: Partial<Sauce>) => change(run, { sauce: { ...sauce, ...more } });
  const got = answer?.sauces[at];
  const made = got && got.made.madeG > 0 ? got.made : undefined;
  const endMin = got?.outMin ?? 0;
  const thick = within(catalog, 'sauce.clingsG');
  const before = within(catalog, 'serving.beforeMin');
  const clamp = (v: number, { min, max, step }: typeof thick) =>
    Math.min(max, Math.max(min, Math.round(v / step) * step));
  const take = (way: string) =>
    change(
      'as advised',
      catalog.pan.ways.some((w) => w.id === way)
        ? { how: way, atTable: false }
        : { how: 'toss', atTable: way === 'table' },
    );
  const how = serving.how ?? catalog.pan.usual.how ?? 'toss';
  const doing = how === 'toss' || how === 'brush' ? (serving.atTable ? 'table' : 'now') : how;
  const cold = sauce.school === 'mix';
  const inIt = (
    <Stack aria-label="What is in it">
      <h2>What is in it</h2>
      <Makings
        items={sauce.items}
        pantry={pantry}
        amount={(k) => units.read((made?.items[k] ?? sauce.items[k])?.g ?? 0)}
      >
        <Written label="Its name" value={serving.name} onChange={(name) => change('name', { name })} />
        <Items
          label="Sauce"
          items={sauce.items}
          pantry={pantry}
          answer={{ measures: {}, swaps: got?.swaps ?? {} }}
          units={units}
          more={(i) => {
            const it = made?.items[i];
            return it ? (
              <span>
                for this load <b>{units.read(it.g)}</b>, {got?.measures[it.ingredient]}
              </span>
            ) : (
              ''
            );
          }}
          onChange={(items) =>
            cook('ingredients', {
              items,
              first: sauce.first?.filter((id) => items.some((it) => it.ingredient === id)),
            })
          }
        />
        <AtTheEnd {...{ sauce, made, pantry, catalog, units }} />
        <First sauce={sauce} pantry={pantry} cook={cook} />
        <Kept serving={serving} take={(name, s) => change('a sauce of your own', { name, sauce: s })} />
        <Row>
          <Button onPress={drop}>
            <Trash2 size={17} aria-hidden /> Leave this sauce out
          </Button>
        </Row>
      </Makings>
    </Stack>
  );
  const todo = got && made ? <ToDo {...{ got, sauce, endMin, units, pending }} /> : null;
  const fates = got && made && serving.how !== 'beside' ? <Fates answer={got} doing={doing} take={take} /> : null;
  return (
    <>
      <PanSentence
        {...{ serving, catalog, pantry, whom, change, cook, units }}
        answer={got}
        servings={answer?.servings ?? 1}
      />
      {cold ? (
        <Two>
          <div>
            {inIt}
            {more}
          </div>
          {todo}
        </Two>
      ) : (
        <>
          {got && made ? (
            <Two>
              <Stack aria-label="The pan">
                <PanRace
                  answer={got}
                  sauce={sauce}
                  endMin={endMin}
                  choices={catalog.pan}
                  units={units}
                  pending={pending}
                  edit={{
                    thick: (drag, g) => cook(drag, { clingsG: clamp(g, thick) }),
                    heat: (drag, heat) => cook(drag, { heat }),
                    before: (drag, m) => change(drag, { beforeMin: clamp(m, before) }),
                  }}
                />
                {serving.beforeMin === undefined ? null : (
                  <Row>
                    <Button onPress={() => change('ready together', { beforeMin: undefined })}>
                      Ready when the food is: on {minutes(made.readyMin)} min before
                    </Button>
                  </Row>
                )}
                <Eaten got={got} units={units} />
              </Stack>
              {todo}
            </Two>
          ) : null}
          <Half>
            <div>
              {inIt}
              {more}
            </div>
            {fates}
          </Half>
        </>
      )}
      {cold ? fates : null}
    </>
  );
}

/** How many cautions stand open: what burns comes first. */
const FIRST = 2;

interface ToDoProps {
  got: PanAnswer['sauces'][number];
  sauce: Sauce;
  endMin: number;
  units: Units;
  pending: boolean;
}

/** What to do in the pan, and when. */
function ToDo({ got, sauce, endMin, units, pending }: ToDoProps) {
  const cold = sauce.school === 'mix';
  return (
    <Todo aria-label="What to do" aria-busy={pending}>
      <Big>
        <Spoon clingsG={got.made.clingsG} drops={got.drops} />
        <div>
          <strong>{units.mass(got.made.madeG)}</strong>
          <br />
          <span>
            {sauce.school === 'mix' ? 'stirred cold' : `pan on ${minutes(got.made.onMin)} min before it is out`}
          </span>
        </div>
      </Big>
      {sauce.school === 'mix' ? null : (
        <Steps>
          {got.told.steps.map((s, i) => (
            <li key={i}>
              <b>{minutes(endMin - got.made.onMin + s.minute).replace('-', '−')} min</b>
              <span>{s.says}</span>
            </li>
          ))}
        </Steps>
      )}
      {cold ? <p>{got.told.steps[0]?.says}</p> : null}
      <Quiet>{got.told.waits}</Quiet>
      {got.told.cautions.slice(0, FIRST).map((c) => (
        <Caution key={c}>{c}</Caution>
      ))}
      <Fold>
        <summary>{got.told.cautions.length > FIRST ? 'More to mind' : 'How it looks'}</summary>
        <Quiet>
          {got.told.makes} {got.told.reads}
        </Quiet>
        {got.told.cautions.slice(FIRST).map((c) => (
          <Caution key={c}>{c}</Caution>
        ))}
      </Fold>
      {cold ? <Eaten got={got} units={units} /> : null}
    </Todo>
  );
}

/** What goes in last: starch in cold water, and water that lets it down. */
function AtTheEnd({
  sauce,
  made,
  pantry,
  catalog,
  units,
}: Pick<SauceProps, 'pantry' | 'catalog' | 'units'> & {
  sauce: Sauce;
  made: PanAnswer['sauces'][number]['made'] | undefined;
}) {
  if (!made || (made.starchG === 0 && made.waterG < 1)) return null;
  const starch = pantry.find((p) => p.id === (sauce.starch ?? catalog.pan.usual.sauce.starch))?.name ?? 'starch';
  return (
    <Quiet>
      {made.starchG > 0
        ? `At the end: ${units.amount(made.starchG)} of ${starch} in ${units.amount(made.slurryG)} of cold water. `
        : ''}
      {made.waterG >= 1 ? `And ${units.amount(made.waterG)} of water, to let it down.` : ''}
    </Quiet>
  );
}

/** What is softened in fat before the rest goes in, and whether a used marinade is in it. */
function First({
  sauce,
  pantry,
  cook,
}: {
  sauce: Sauce;
  pantry: AtDishProps['pantry'];
  cook: (run: Run, more: Partial<Sauce>) => void;
}) {
  const softens = usePantry().data?.softens ?? [];
  if (sauce.school !== 'reduce' && sauce.school !== 'thicken') return null;
  const first = sauce.first ?? [];
  const toggle = (id: string) =>
    cook('softened first', { first: first.includes(id) ? first.filter((f) => f !== id) : [...first, id] });
  const may = sauce.items.filter((it) => softens.includes(it.ingredient));
  return (
    <Row>
      {may.map((it) => (
        <label key={it.ingredient}>
          <input type="checkbox" checked={first.includes(it.ingredient)} onChange={() => toggle(it.ingredient)} />{' '}
          {pantry.find((p) => p.id === it.ingredient)?.name} softened first
        </label>
      ))}
      <label>
        <input
          type="checkbox"
          checked={sauce.used ?? false}
          onChange={() => cook('used marinade', { used: !sauce.used })}
        />{' '}
        Marinade in which raw food lay is in it
      </label>
    </Row>
  );
}

/** The household's own sauces: taken, kept, forgotten. */
function Kept({ serving, take }: { serving: Serving; take: (name: string, s: Sauce) => void }) {
  const own = useSauces();
  const queries = useQueryClient();
  const { sauce } = serving;
  return (
    <Own
      what="this sauce"
      known={own.data ?? []}
      filled={sauce.items.length > 0}
      same={(o) => JSON.stringify(o.sauce) === JSON.stringify(sauce)}
      take={(o) => take(o.name, o.sauce)}
      keep={({ name, over, again }) => keepSauce(queries, again ? { ...again, version: 0 } : { ...over, name, sauce })}
      drop={async (o) => {
        await dropSauce(o.id);
        await queries.invalidateQueries({ queryKey: ['sauces'] });
      }}
    />
  );
}

/** What is eaten of it, in all, and what is in 100 g. */
function Eaten({ got, units }: { got: PanAnswer['sauces'][number]; units: Units }) {
  const { made, eatenKcal, kcalPer100 } = got;
  const facts: [string, string][] = [
    ['Salt in that', units.pinch(made.eaten.saltG)],
    ['Sugar', units.pinch(made.eaten.sugarG)],
    ['In 100 g', `${Math.round(kcalPer100)} kcal, ${made.per100.saltG.toFixed(1)} g salt`],
    ...(made.cost > 0 ? [['It costs', made.cost.toFixed(2)] as [string, string]] : []),
  ];
  return (
    <Fold aria-label="What is eaten of it">
      <summary>
        Eaten: {units.mass(made.eatenG)}, {Math.round(eatenKcal)} kcal
      </summary>
      <Facts>
        {facts.map(([name, figure]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{figure}</dd>
          </div>
        ))}
      </Facts>
      <Quiet>
        {made.allergens.length > 0 ? `Holds ${made.allergens.join(', ')}.` : 'None of the usual allergens.'} It is in
        the sums of the bench.
      </Quiet>
    </Fold>
  );
}
