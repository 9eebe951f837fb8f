import { useEffect, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import type { AtDishProps } from '../dish/AtDish';
import { DishHead } from '../dish/DishHead';
import { afterwards, bare, onBench, onLot } from '../dish/edits';
import { useDish } from '../dish/useDish';
import { unitsOf } from '../format/units';
import { Button } from '../ui/Button';
import { once, runIn } from '../ui/history';
import { Page, Quiet } from '../ui/layout';
import { Tabs } from '../ui/Tabs';
import { Late } from '../ui/Late';
import { hhmm, dayOf } from '../supper/time';
import { useClock } from '../dish/useClock';
import { Adding, dropOf } from './Adding';
import { Counter } from './Counter';
import { ofTask } from './counterScale';
import { waited } from './waits';
import type { StationProps } from './props';
import { Caution, StationCard } from './StationCard';
import { SideBySide, type OnBench } from './SideBySide';
import { Sums } from './Sums';
import { useBench, type BenchLot } from './useBench';
import { lotName } from '../dish/foodWords';
import { useWide } from '../ui/useWide';
import type { Lot } from '../api/client';
import { settingsOf } from '../api/queries';

const Row = styled.div`
  margin: 14px 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 270px), 1fr));
  gap: 12px;
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
  const { answer, pending, problem } = useBench(request, settingsOf(settings));
  const untaken = pending || problem !== '';
  useEffect(() => setPossible(!untaken), [untaken, setPossible]);
  const clock = useClock(plan);
  const when = (lot: number, station: string) => {
    const task = clock?.tasks.find((t) => {
      const is = ofTask(t, plan.id);
      return t.kind === 'bench' && is.kind === station && is.lot === lot;
    });
    return task
      ? `${hhmm(task.start)}, ${Math.max(1, Math.round((Date.parse(task.end) - Date.parse(task.start)) / 60_000))} min`
      : '';
  };
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
      when: (station) => when(k, station),
    };
  };

  return (
    <Page>
      <DishHead view="Bench" plan={plan} plans={plans} dish={dish} />
      {clock ? (
        <Quiet>
          {plan.tableTime ? '' : 'For a table at 19:00: '}
          {plan.tableTime ? 'Begin' : 'begin'} {dayOf(clock.startAt)} at <b>{hhmm(clock.startAt)}</b>, on the table at{' '}
          {hhmm(clock.serveAt)}.
        </Quiet>
      ) : null}
      {answer && clock ? (
        <Counter
          plan={plan}
          tasks={clock.tasks}
          serveAt={clock.serveAt}
          answer={answer}
          units={units}
          wait={(run, k, kind, minutes) =>
            edit(runIn(run, k), (now) => onLot(now, k, (l) => onBench(l, waited(kind, minutes))))
          }
        />
      ) : null}
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
        {answer.stations.map((s, k) => {
          const drop = dropOf(s.id, bench);
          return (
            <StationCard
              key={s.id}
              station={s}
              place={k + 1}
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
      </Row>
      <Adding {...props} added={(id) => focusOn(`${props.at}-${id}`)} />
    </>
  );
}
