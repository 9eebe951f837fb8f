import { limitOf } from '../api/limits';
import { settingsOf } from '../api/queries';
import { once, runIn, type Run } from '../ui/history';
import { useEffect, useMemo, useState } from 'react';
import styled from 'styled-components';
import { Caution } from '../bench/StationCard';
import type { AtDishProps } from '../dish/AtDish';
import { DishHead } from '../dish/DishHead';
import { after, setAfter, type For } from '../dish/afterwards';
import { lotName } from '../dish/foodWords';
import { useDish } from '../dish/useDish';
import { unitsOf } from '../format/units';
import { Page, Quiet } from '../ui/layout';
import { Late } from '../ui/Late';
import { Tabs } from '../ui/Tabs';
import { Finishing } from './Finishing';
import { OneSauce } from './OneSauce';
import { OwnSauces } from './OwnSauces';
import { usePan, type Serving } from './usePan';

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin: 2px 0;
`;

/** The sauces of a dish, and what is put on after the basket. */
export function OnePan({ plan, plans, catalog, settings, pantry }: AtDishProps) {
  const dish = useDish(plan);
  const { draft, edit, request, setPossible } = dish;
  const units = useMemo(() => unitsOf(settings), [settings]);
  const { answer, pending, problem } = usePan(request, settingsOf(settings));
  const untaken = pending || problem !== '';
  useEffect(() => setPossible(!untaken), [untaken, setPossible]);
  const sauces = after(draft, 'sauces');
  const lots = draft.lots.length > 1 ? draft.lots.map((lot, k) => answer?.lots[k] ?? lotName(lot, catalog)) : [];
  const [front, setFront] = useState(0);
  const shown = Math.min(front, sauces.length - 1);
  const one = sauces[shown];
  const put = (run: Run, next: For<Serving>[]) => edit(run, (now) => setAfter(now, 'sauces', next));
  const forAll = sauces.filter((o) => o.of === undefined);
  const add = (s: Serving) => {
    const left = 1 - forAll.filter((o) => o.one.how !== 'beside').reduce((sum, o) => sum + (o.one.share ?? 1), 0);
    // What no piece is left for stands beside it.
    const one: Serving = left > 0.04 ? { ...s, share: left } : { ...s, how: 'beside' };
    put(once, [...forAll, { one, of: undefined }, ...sauces.slice(forAll.length)]);
    setFront(forAll.length);
  };
  const changed = (change: (o: For<Serving>) => For<Serving>) => sauces.map((s, k) => (k === shown ? change(s) : s));
  const more =
    forAll.length < limitOf(catalog, 'bench.sauces').max ? (
      <OwnSauces here={sauces.map((o) => o.one.name)} add={add} usual={catalog.pan.usual} catalog={catalog} />
    ) : null;
  return (
    <Page>
      <DishHead view="Pan" plan={plan} plans={plans} dish={dish} />
      {problem ? <Caution role="alert">{problem}</Caution> : null}
      <Row>
        {sauces.length > 1 ? (
          <Tabs
            label="Sauce shown"
            shown={shown}
            show={setFront}
            tabs={sauces.map(
              ({ one: s, of }, i) =>
                `${i + 1}. ${s.name || 'a sauce'}${of === undefined ? '' : `, for the ${lots[of] ?? ''}`}`,
            )}
          />
        ) : null}
      </Row>
      <Late pending={pending} refused={problem !== ''}>
        {one ? (
          <OneSauce
            key={shown}
            {...{ answer, pending, catalog, pantry, units }}
            serving={one.one}
            at={shown}
            more={more}
            whom={{
              lots,
              of: one.of,
              setOf: (of) => {
                const next = changed((o) => ({ ...o, of }));
                put(once, next);
                setFront(after(setAfter(draft, 'sauces', next), 'sauces').findIndex((o) => o.one === one.one));
              },
            }}
            change={(run, more) =>
              put(
                runIn(run, shown),
                changed((o) => ({ ...o, one: { ...o.one, ...more } })),
              )
            }
            drop={() =>
              put(
                once,
                sauces.filter((_, k) => k !== shown),
              )
            }
          />
        ) : (
          <Quiet>
            No sauce yet. Add one of your own, or begin with an empty pan: it is made for the pieces of this dish, and
            ready when its basket is.
          </Quiet>
        )}
        {one ? null : more}
        <Finishing
          {...{ answer, pantry, catalog, units, lots }}
          mixes={after(draft, 'mixes')}
          put={(run, next) => edit(run, (now) => setAfter(now, 'mixes', next))}
        />
      </Late>
    </Page>
  );
}
