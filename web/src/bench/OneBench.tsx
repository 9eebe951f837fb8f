import { useEffect, useMemo, useRef } from 'react';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import type { Catalog, Plan, Schemas, Settings } from '../api/client';
import { DishState } from '../dish/DishState';
import { bare, onBench } from '../dish/edits';
import { useDish } from '../dish/useDish';
import { unitsOf } from '../format/units';
import { at } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Heading, Page, Quiet } from '../ui/layout';
import { Select } from '../ui/Select';
import { Adding, dropOf } from './Adding';
import type { StationProps } from './props';
import { Caution, StationCard } from './StationCard';
import { Sums } from './Sums';
import { useBench, type BenchAnswer } from './useBench';

const Head = styled.div`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 8px 12px;
  margin-bottom: 4px;
  > p {
    flex: 1 1 300px;
  }
  label {
    min-width: 0;
    max-width: 100%;
  }
  select {
    width: auto;
    max-width: 100%;
    font-weight: 600;
  }
`;

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

interface Props {
  plan: Plan;
  plans: Plan[];
  catalog: Catalog;
  settings: Settings;
  pantry: Schemas['Ingredient'][];
}

/** Everything before the basket, in the order of the hands. */
export function OneBench({ plan, plans, catalog, settings, pantry }: Props) {
  const dish = useDish(plan);
  const { draft, edit, request, setPossible } = dish;
  const bench = draft.bench ?? bare;
  const navigate = useNavigate();
  const units = useMemo(() => unitsOf(settings), [settings]);
  const { temperature, mass, spoons, guidance, guidanceC } = settings;
  const { answer, pending, problem } = useBench(request, [temperature, mass, spoons, guidance, guidanceC].join());
  const untaken = pending || problem !== '';
  useEffect(() => setPossible(!untaken), [untaken, setPossible]);
  const focusOn = useFocusOnStation();
  const set: StationProps['set'] = (what, change) => edit(what, (now) => onBench(now, change));

  return (
    <Page>
      <h1 className="quietly">Bench: {draft.name}</h1>
      <Head className="no-print">
        <Heading>Bench</Heading>
        <label>
          <span className="quietly">Dish</span>
          <Select value={plan.id} onChange={(e) => void navigate(`/bench/${e.target.value}`)}>
            {plans.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </Select>
        </label>
        <DishState dish={dish} />
        <Button onPress={() => void navigate(`/plan/${plan.id}`)}>To the race</Button>
      </Head>
      <Quiet>Everything before the basket, worked out from the pieces of this dish and fed into its forecast.</Quiet>
      {problem ? <Caution role="alert">{problem}</Caution> : null}
      {answer ? (
        <Stations
          {...{ plan: draft, bench, set, edit, answer, pantry, catalog, units }}
          pending={pending}
          focusOn={focusOn}
        />
      ) : problem ? null : (
        <Quiet role="status">Working it out…</Quiet>
      )}
    </Page>
  );
}

interface StationsProps extends StationProps {
  answer: BenchAnswer;
  pending: boolean;
  focusOn: (station: string) => void;
}

function Stations({ pending, focusOn, ...props }: StationsProps) {
  const { answer, bench, set } = props;
  return (
    <>
      <Row role="group" aria-label="Stations" aria-busy={pending}>
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
                            set(`drop ${s.id}`, drop);
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
