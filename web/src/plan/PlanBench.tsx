import { once, type Run } from '../ui/history';
import { useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import type { Catalog, CutInfo, Fryer, Plan, PlanInput, Schemas, Settings, Simulation } from '../api/client';
import { place } from '../api/place';
import { settingsOf } from '../api/queries';
import { mendPlan, setInOut, setProgram } from '../dish/edits';
import { lotName } from '../dish/foodWords';
import { useDish, type EditDish } from '../dish/useDish';
import { unitsOf, type Units } from '../format/units';
import { lookAround } from '../household/demo';
import { at } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Page, Quiet } from '../ui/layout';
import { later } from '../ui/later';
import { Baskets } from './Baskets';
import { sideOf } from './beside';
import { InDrawer } from './order/InDrawer';
import { OtherDrawer } from './OtherDrawer';
import { Plug } from './Plug';
import { OrderLine } from './order/OrderLine';
import { PlanHead } from './PlanHead';
import { edgesOf } from './edges';
import { grainOf, totalOf, withExtras } from './program';
import { editOf } from './ProgramEditor';
import { RaceCard } from './RaceCard';
import { Trouble } from './Trouble';
import { useDishBaskets } from './useDishBaskets';
import { useBoth } from './useBoth';
import { followWay, useCompared, useWays } from './useWays';
import { InShort, Verdict } from './Verdict';

// The race comes first; what stands below it follows.
const below = () => import('./below');
const Begins = later(async () => (await below()).Begins);
const Compare = later(async () => (await below()).Compare);
const Convert = later(async () => (await below()).Convert);
const Dishes = later(async () => (await below()).Dishes);
const Ways = later(async () => (await below()).Ways);

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 336px;
  gap: 16px;
  align-items: start;
  ${at.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Stack = styled.div`
  display: grid;
  gap: 14px;
  min-width: 0;
  ${at.phone} {
    display: contents;
  }
`;

const Side = styled.div`
  display: grid;
  gap: 14px;
  ${at.narrow} {
    grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
    align-items: start;
  }
  ${at.phone} {
    display: contents;
  }
`;

const Hello = styled(Quiet)`
  margin-bottom: 10px;
`;

interface Props {
  plan: Plan;
  plans: Plan[];
  fryers: Fryer[];
  catalog: Catalog;
  settings: Settings;
}

interface InFryer {
  draft: PlanInput;
  edit: EditDish;
  tray: ReturnType<typeof useDishBaskets>;
  display: Simulation;
  kinds: NonNullable<Schemas['Simulated']['lots']>;
  drawn: boolean;
  fryer: Fryer;
  cut: CutInfo;
  units: Units;
}

/** The basket that is shown, from above, with what else lies in it. */
function DishBaskets({ draft, edit, tray, display, kinds, drawn, fryer, cut, units }: InFryer) {
  const { other, second } = tray;
  return (
    <Baskets
      plan={draft}
      total={tray.pieces}
      fryer={other?.fryer === 1 && second ? second : fryer}
      answer={display}
      cut={cut}
      baskets={tray.baskets}
      known={(drawn || other !== undefined) && !tray.pending}
      shown={tray.shown}
      show={tray.show}
      choose={tray.choose}
      setPerBasket={(n) => edit('per basket', (now) => ({ ...now, perBasket: n }))}
      helper={tray.helper}
      units={units}
      kinds={kinds.map((k) => ({ name: `${k.pieces} ${k.name}`, answer: k, cut: k.cut }))}
    />
  );
}

/** What is said under the order: that it is the first, or that what belongs beside it has gone. */
function Hints({ apart, greet }: { apart: string | undefined; greet: boolean }) {
  return (
    <>
      {apart ? <Hello role="status">{apart}</Hello> : null}
      {greet ? (
        <Hello className="no-print">
          Say what you have got, in the line above. Or first{' '}
          <Button onPress={lookAround}>look around in a made-up household</Button>
        </Hello>
      ) : null}
    </>
  );
}

/** One dish: what it is, how it runs, when it is ready. */
export function PlanBench({ plan, plans, fryers, catalog, settings }: Props) {
  const dish = useDish(plan);
  const { draft, edit, request, setPossible } = dish;
  const navigate = useNavigate();
  const units = useMemo(() => unitsOf(settings), [settings]);
  const household = settingsOf(settings);
  const { answer, last, drawn, pending, problem, pair, both } = useBoth(draft, plan.id, plans, request, household);
  // What the engine has not taken yet is not sent to be kept.
  const untaken = pending || problem?.status === 422;
  useEffect(() => setPossible(!untaken), [untaken, setPossible]);
  const tray = useDishBaskets(dish, fryers, last, problem);
  const { other, second, shown } = tray;
  const [want, setWant] = useState('balanced');
  const search = useWays(problem ? null : request, want, household);
  const [bringing, setBringing] = useState(false);
  const [front, setFront] = useState(0);
  const compared = useCompared(search.ways);
  const [one, two] = compared.ways;

  const fryer = fryers.find((f) => f.id === draft.fryerId) ?? fryers[0];
  const cut = catalog.cuts.find((c) => c.id === (answer?.laid[0]?.load.cut ?? draft.lots[0]?.load.cut));
  if (!fryer || !cut) return null;
  const program = draft.program;
  const grain = grainOf(catalog, fryer);
  const change = (run: Run, f: (p: typeof program) => typeof program) =>
    edit(run, (now) => setProgram(now, f(now.program), grain.minutes));
  const kinds = last?.lots && last.lots.length > 1 ? last.lots : [];
  const inFront = other ? undefined : kinds[front];
  const display = other?.answer ?? inFront ?? last;
  // What is said is of this dish alone; the race may still be drawn as it was for a blink.
  const known = other ? !tray.pending : answer !== null;
  const shownCut = (inFront && catalog.cuts.find((c) => c.id === inFront.cut)) ?? cut;
  const several = draft.lots.length > 1;
  const lots = draft.lots.map((lot, k) => answer?.lots?.[k]?.name ?? lotName(lot, catalog));
  const raceEdit = editOf({
    plan: draft,
    edit,
    program,
    change,
    fryer,
    fryers,
    units,
    catalog,
    brushes: answer?.brushes,
    lots,
  });
  const theBasket =
    display && (drawn || other) ? (
      <DishBaskets {...{ draft, edit, tray, display, cut, kinds, drawn, units }} fryer={fryer} />
    ) : null;
  const otherRace = both ? <OtherDrawer {...both} {...{ catalog, units, pending }} blank={!drawn} /> : null;
  return (
    <Page>
      <h1 className="quietly">Plan: {draft.name}</h1>
      <PlanHead
        id={plan.id}
        dish={dish}
        basket={shown + 1}
        ready={answer !== null && !pending && problem === null}
        {...(both ? { pair: both.pair } : {})}
      />
      <OrderLine
        {...{ plan: draft, edit, catalog, fryers, units }}
        laid={answer?.laid ?? []}
        pieces={answer ? (answer.lots ?? [answer]).map((a) => a.piece) : []}
        toBench={() => void navigate(`/bench/${plan.id}`)}
        inDrawer={<InDrawer id={plan.id} plan={draft} plans={plans} fryer={fryer} pair={pair} edit={edit} />}
      />
      <Hints apart={pair?.apart} greet={plans.length === 1 && plan.version === 1 && !place} />
      {problem ? (
        <Trouble
          problem={problem}
          several={draft.perBasket || second ? undefined : tray.several}
          split={() => tray.choose('several')}
        />
      ) : null}
      <InShort
        answer={both ? both.all : other || kinds.length < 2 ? (display ?? undefined) : (last ?? undefined)}
        known={known}
      />
      <Columns>
        <Stack>
          {pair?.mine === 'right' ? otherRace : null}
          <RaceCard
            {...(both ? { title: `${sideOf(both.pair.mine)} drawer: ${draft.name}`, axis: both.axis } : {})}
            {...{ program, change, tray, kinds, front, setFront, drawn, pending, fryer, catalog, units, bringing }}
            display={display ?? null}
            faces={shownCut.faces}
            answered={answer !== null}
            failed={problem !== null}
            edit={raceEdit}
            bring={setBringing}
            edges={several ? edgesOf(draft, lots) : []}
            takeOut={(lot, outMin) => edit(once, (now) => setInOut(now, lot, { outMin }, grain.minutes))}
          />
          {pair?.mine === 'left' ? otherRace : null}
          {bringing ? (
            <Convert
              request={request}
              catalog={catalog}
              units={units}
              use={(p) => change(once, (now) => withExtras(p, now, grain))}
              close={() => setBringing(false)}
            />
          ) : null}
          {tray.crowded ? theBasket : null}
          {answer ? <Begins plan={plan} /> : null}
        </Stack>
        <Side>
          {display ? (
            <Verdict
              answer={display}
              all={both ? both.all : other || kinds.length < 2 ? undefined : (last ?? undefined)}
              name={inFront && kinds.length > 1 ? inFront.name : both ? `${both.pair.mine} drawer` : ''}
              known={known}
              units={units}
              totalMin={totalOf(other?.program ?? program)}
              mend={(c) => edit(once, (now) => mendPlan(now, c, grain.minutes))}
            />
          ) : null}
          {both && drawn ? <Plug plug={both.plug} says={both.plugSays} /> : null}
          {tray.crowded ? null : theBasket}
        </Side>
      </Columns>
      {one && two && answer ? (
        <Compare pair={[one, two]} rule={answer.rule} faces={cut.faces} units={units} close={compared.close} />
      ) : null}
      {display || problem ? (
        <>
          <Ways
            {...search}
            now={program}
            choose={(w) => edit(once, (now) => followWay(now, w, grain))}
            pinned={compared.pinned}
            pin={compared.pin}
            want={want}
            setWant={setWant}
            wants={catalog.wants}
            beside={draft.drawer !== undefined}
            units={units}
          />
          <Dishes plans={plans} here={plan} catalog={catalog} />
        </>
      ) : null}
    </Page>
  );
}
