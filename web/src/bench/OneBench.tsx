import { once } from '../ui/history';
import { useEffect, useMemo, useRef } from 'react';
import styled from 'styled-components';
import type { AtDishProps } from '../dish/AtDish';
import { DishHead } from '../dish/DishHead';
import { bare, onBench } from '../dish/edits';
import { useDish } from '../dish/useDish';
import { unitsOf } from '../format/units';
import { at } from '../theme/tokens';
import { Page, Quiet } from '../ui/layout';
import { Late } from '../ui/Late';
import { Adding, dropOf } from './Adding';
import type { StationProps } from './props';
import { Caution, StationCard } from './StationCard';
import { Sums } from './Sums';
import { useBench, type BenchAnswer } from './useBench';

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
  const bench = draft.bench ?? bare;
  const units = useMemo(() => unitsOf(settings), [settings]);
  const { temperature, mass, spoons, guidance, guidanceC } = settings;
  const { answer, pending, problem } = useBench(request, [temperature, mass, spoons, guidance, guidanceC].join());
  const untaken = pending || problem !== '';
  useEffect(() => setPossible(!untaken), [untaken, setPossible]);
  const focusOn = useFocusOnStation();
  const set: StationProps['set'] = (run, change) => edit(run, (now) => onBench(now, change));

  return (
    <Page>
      <DishHead view="Bench" plan={plan} plans={plans} dish={dish} />
      <Quiet>Everything before the basket, worked out from the pieces of this dish and fed into its forecast.</Quiet>
      {problem ? <Caution role="alert">{problem}</Caution> : null}
      {answer ? (
        <Late pending={pending} refused={problem !== ''}>
          <Stations {...{ plan: draft, bench, set, edit, answer, pantry, catalog, units }} focusOn={focusOn} />
        </Late>
      ) : problem ? null : (
        <Quiet role="status">Working it out…</Quiet>
      )}
    </Page>
  );
}

interface StationsProps extends StationProps {
  answer: BenchAnswer;
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
                            focusOn('more');
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
      <Adding {...props} added={focusOn} />
      <Sums {...props} />
    </>
  );
}
