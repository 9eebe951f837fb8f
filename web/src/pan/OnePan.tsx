import { limitOf } from '../api/limits';
import { once, runIn, type Run } from '../ui/history';
import { Plus } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import styled from 'styled-components';
import { useSauces } from '../api/queries';
import { Caution } from '../bench/StationCard';
import type { AtDishProps } from '../dish/AtDish';
import { DishHead } from '../dish/DishHead';
import { after, setAfter, type For } from '../dish/afterwards';
import { lotName } from '../dish/foodWords';
import { useDish } from '../dish/useDish';
import { unitsOf } from '../format/units';
import { Button } from '../ui/Button';
import { Page, Quiet } from '../ui/layout';
import { Late } from '../ui/Late';
import { Select } from '../ui/Select';
import { Tabs } from '../ui/Tabs';
import { Finishing } from './Finishing';
import { OneSauce } from './OneSauce';
import { usePan, type Serving } from './usePan';

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin: 6px 0 10px;
`;

/** The sauces of a dish, and what is put on after the basket. */
export function OnePan({ plan, plans, catalog, settings, pantry }: AtDishProps) {
  const dish = useDish(plan);
  const { draft, edit, request, setPossible } = dish;
  const units = useMemo(() => unitsOf(settings), [settings]);
  const { temperature, mass, spoons, guidance, guidanceC } = settings;
  const { answer, pending, problem } = usePan(request, [temperature, mass, spoons, guidance, guidanceC].join());
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
        {forAll.length < limitOf(catalog, 'bench.sauces').max ? (
          <AddSauce add={add} usual={catalog.pan.usual} first={sauces.length === 0} />
        ) : null}
      </Row>
      <Late pending={pending} refused={problem !== ''}>
        {one ? (
          <OneSauce
            key={shown}
            {...{ answer, pending, catalog, pantry, units }}
            serving={one.one}
            at={shown}
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
        <Finishing
          {...{ answer, pantry, catalog, units, lots }}
          mixes={after(draft, 'mixes')}
          put={(run, next) => edit(run, (now) => setAfter(now, 'mixes', next))}
        />
      </Late>
    </Page>
  );
}

function AddSauce({ add, usual, first }: { add: (s: Serving) => void; usual: Serving; first: boolean }) {
  const own = useSauces();
  return (
    <>
      {(own.data ?? []).length > 0 ? (
        <label>
          <span className="quietly">Add a sauce of your own</span>
          <Select
            value=""
            onChange={(e) => {
              const found = own.data?.find((s) => s.id === e.target.value);
              if (found)
                add({ name: found.name, sauce: found.sauce, how: found.sauce.school === 'mix' ? 'beside' : 'toss' });
            }}
          >
            <option value="">{first ? 'A sauce of your own…' : 'One more of your own…'}</option>
            {own.data?.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          </Select>
        </label>
      ) : null}
      <Button onPress={() => add({ name: '', sauce: { school: usual.sauce.school, items: [] } })}>
        <Plus size={18} aria-hidden /> An empty pan
      </Button>
    </>
  );
}
