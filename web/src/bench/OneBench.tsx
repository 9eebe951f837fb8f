import { useEffect, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import type { AtDishProps } from '../dish/AtDish';
import { DishHead } from '../dish/DishHead';
import { afterwards, bare, onBench, onLot } from '../dish/edits';
import { useDish } from '../dish/useDish';
import { unitsOf } from '../format/units';
import { at } from '../theme/tokens';
import { Button } from '../ui/Button';
import { once, runIn } from '../ui/history';
import { Page, Quiet } from '../ui/layout';
import { Tabs } from '../ui/Tabs';
import { Late } from '../ui/Late';
import { Adding, dropOf } from './Adding';
import type { StationProps } from './props';
import { Caution, StationCard } from './StationCard';
import { SideBySide, type OnBench } from './SideBySide';
import { Sums } from './Sums';
import { useBench, type BenchLot } from './useBench';
import { lotName } from '../dish/foodWords';
import { useWide } from '../ui/useWide';
import type { Lot } from '../api/client';

const Row = styled.div`
  margin: 14px 0;
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: start;
  > * {
    flex: 1 1 280px;
    max-width: 430px;
    min-width: 0;
    display: grid;
    gap: 14px;
  }
  ${at.phone} {
    > * {
      max-width: none;
    }
  }
`;

const Lots = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin-top: 10px;
`;

/** How many lots stand side by side; of more, one is shown at a time. */
const COLUMNS = 3;

// What is done at one place stands in one column; the numbers give the order.
const places = [['cut', 'dry'], ['salt'], ['marinade'], ['coat', 'finish']];

/** A button that is gone takes the focus with it; it goes to what came. */
function useFocusOnStation() {
  const wanted = useRef('');
  useEffect(() => {
    const there = wanted.current ? document.getElementById(`station-${wanted.current}`) : null;
    if (!there) return;
    there.focus();
    wanted.current = '';
  });
  return (id: string) => {
    wanted.current = id;
  };
}

/** Everything before the basket, in the order of the hands. */
export function OneBench({ plan, plans, catalog, settings, pantry }: AtDishProps) {
  const dish = useDish(plan);
  const { draft, edit, request, setPossible } = dish;
  const units = useMemo(() => unitsOf(settings), [settings]);
  const { temperature, mass, spoons, guidance, guidanceC } = settings;
  const { answer, pending, problem } = useBench(request, [temperature, mass, spoons, guidance, guidanceC].join());
  const untaken = pending || problem !== '';
  useEffect(() => setPossible(!untaken), [untaken, setPossible]);
  const focusOn = useFocusOnStation();
  const [front, setFront] = useState(0);
  const at = Math.min(front, draft.lots.length - 1);
  const lot = draft.lots[at];
  const beside = useWide() && draft.lots.length > 1 && draft.lots.length <= COLUMNS;
  const one = answer?.lots[at];
  const othersLike = (k: number) =>
    edit(once, (now) => ({
      ...now,
      lots: now.lots.map((l) => ({ ...l, coat: now.lots[k]?.coat, bench: now.lots[k]?.bench })),
    }));
  const propsOf = (of: Lot, k: number, worked: BenchLot): OnBench => {
    const editLot: StationProps['editLot'] = (run, change) => edit(runIn(run, k), (now) => onLot(now, k, change));
    return {
      plan: draft,
      lot: of,
      at: k,
      bench: of.bench ?? bare,
      set: (run, change) => editLot(run, (now) => onBench(now, change)),
      editLot,
      answer: worked,
      name: `${worked.load.pieces} ${worked.name}`,
      salts: answer?.salts ?? [],
      pantry,
      catalog,
      units,
    };
  };

  return (
    <Page>
      <DishHead view="Bench" plan={plan} plans={plans} dish={dish} />
      <Quiet>Everything before the basket, worked out from the pieces of this dish and fed into its forecast.</Quiet>
      {problem ? <Caution role="alert">{problem}</Caution> : null}
      {draft.lots.length > 1 && !beside ? (
        <Lots>
          <Tabs
            label="Lot on the bench"
            shown={at}
            show={setFront}
            tabs={draft.lots.map((l, k) => (
              <strong key={k}>
                {answer?.lots[k]?.load.pieces ?? l.load.pieces} {answer?.lots[k]?.name ?? lotName(l, catalog)}
              </strong>
            ))}
          />
          <Button onPress={() => othersLike(at)}>The same coat and bench for the others</Button>
        </Lots>
      ) : null}
      {answer && one && lot ? (
        <Late pending={pending} refused={problem !== ''}>
          {beside ? (
            <SideBySide
              lots={draft.lots.flatMap((l, k) => (answer.lots[k] ? [propsOf(l, k, answer.lots[k])] : []))}
              all={{
                editLot: (run, change) => edit(run, (now) => ({ ...now, lots: now.lots.map(change) })),
                set: (run, change) => edit(run, (now) => ({ ...now, lots: now.lots.map((l) => onBench(l, change)) })),
              }}
              focusOn={focusOn}
              othersLike={othersLike}
            />
          ) : (
            <Stations key={at} {...propsOf(lot, at, one)} focusOn={focusOn} />
          )}
          <Sums
            {...{ answer, catalog, units }}
            bench={draft.bench}
            set={(run, change) => edit(run, (now) => afterwards(now, change))}
          />
        </Late>
      ) : problem ? null : (
        <Quiet role="status">Working it out…</Quiet>
      )}
    </Page>
  );
}

interface StationsProps extends StationProps {
  focusOn: (station: string) => void;
}

function Stations({ focusOn, ...props }: StationsProps) {
  const { answer, bench, set } = props;
  return (
    <>
      <Row role="group" aria-label="Stations">
        {places.map((place) => {
          const here = answer.stations.filter((s) => place.includes(s.id));
          if (here.length === 0) return null;
          return (
            <div key={place[0]}>
              {here.map((s) => {
                const drop = dropOf(s.id, bench);
                return (
                  <StationCard
                    key={s.id}
                    station={s}
                    place={answer.stations.indexOf(s) + 1}
                    drop={
                      drop
                        ? () => {
                            focusOn(`${props.at}-more`);
                            set(once, drop);
                          }
                        : undefined
                    }
                    {...props}
                  />
                );
              })}
            </div>
          );
        })}
      </Row>
      <Adding {...props} added={(id) => focusOn(`${props.at}-${id}`)} />
    </>
  );
}
