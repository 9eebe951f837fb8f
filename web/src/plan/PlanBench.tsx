import { useQueryClient } from '@tanstack/react-query';
import { Redo2, Undo2 } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { Input, TextField } from 'react-aria-components';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import type { Catalog, Fryer, Plan, PlanInput, Settings, SimulationRequest } from '../api/client';
import { savePlan, startCook } from '../api/queries';
import { unitsOf } from '../format/units';
import { Race } from '../race/Race';
import { at, type } from '../theme/tokens';
import { Button, IconButton, MainButton } from '../ui/Button';
import { Card, Page, Quiet } from '../ui/layout';
import { useHistory } from '../ui/history';
import { unsent, useKept } from '../ui/useKept';
import { complain } from '../ui/toast';
import { Baskets, chosenOf } from './Baskets';
import { Compare } from './Compare';
import { Convert } from './Convert';
import { Dishes } from './Dishes';
import { OrderLine } from './OrderLine';
import { firstBasket, totalOf, turnsOf } from './program';
import { mendPlan } from './mend';
import { editOf, RaceTools } from './ProgramEditor';
import { inputOf, simulated } from './request';
import { useBaskets } from './useBaskets';
import { useSimulation } from './useSimulation';
import { useWays } from './useWays';
import { Verdict } from './Verdict';
import { Ways } from './Ways';

const Head = styled.div`
  display: flex;
  align-items: center;
  gap: 8px;
  flex-wrap: wrap;
`;

const NameField = styled(TextField)`
  flex: 1 1 260px;
  min-width: 0;
  input {
    width: 100%;
    min-height: 40px;
    padding: 0 8px;
    margin-left: -8px;
    border: 0;
    border-radius: 9px;
    background: transparent;
    font: 600 16px/1 ${type.plain};
    color: var(--quiet);
    text-overflow: ellipsis;
    &:hover {
      background: var(--soft);
    }
    &:focus {
      background: var(--surface);
      color: var(--ink);
    }
  }
`;

const State = styled.span`
  font-size: 14px;
  color: var(--quiet);
  min-width: 62px;
  text-align: right;
`;

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
`;

const Side = styled.div`
  display: grid;
  gap: 14px;
  ${at.narrow} {
    grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
    align-items: start;
  }
`;

const RaceCard = styled(Card)`
  padding: 10px 12px 12px;
  min-height: 520px;
  ${at.phone} {
    padding: 8px 8px 12px;
    min-height: 460px;
  }
`;

const Trouble = styled.p`
  background: var(--lemon-wash);
  border-radius: 10px;
  padding: 10px 12px;
  margin-bottom: 10px;
  white-space: pre-line;
`;

interface Props {
  plan: Plan;
  plans: Plan[];
  fryers: Fryer[];
  catalog: Catalog;
  settings: Settings;
}

/** One dish: what it is, how it runs, when it is ready. */
export function PlanBench({ plan, plans, fryers, catalog, settings }: Props) {
  // The plan as it was when this dish was opened; later saves are our own.
  const [opened] = useState(plan);
  const [first] = useState(() => (unsent(plan.id, plan.version) as PlanInput | null) ?? inputOf(plan));
  const { history, edit, undo, redo } = useHistory(first);
  const draft = history.now;
  const queries = useQueryClient();
  const navigate = useNavigate();
  const units = useMemo(() => unitsOf(settings), [settings]);
  const fryer = fryers.find((f) => f.id === draft.fryerId) ?? fryers[0];
  const cut = catalog.cuts.find((c) => c.id === draft.load.cut);
  const [starting, setStarting] = useState(false);

  const second = fryers.find((f) => f.id === draft.secondFryerId);
  // The whole dish in one basket; the race shows the first of them.
  const whole = useMemo<SimulationRequest | null>(
    () =>
      fryer
        ? {
            load: draft.load,
            coat: draft.coat,
            program: draft.program,
            fryer: simulated(fryer),
            guidance: settings.guidance,
            ...(settings.guidance === 'stricter' ? { guidanceC: settings.guidanceC } : {}),
            tailMin: Math.min(8, Math.max(3, Math.round(totalOf(draft.program) * 0.2))),
          }
        : null,
    [draft.load, draft.coat, draft.program, fryer, settings.guidance, settings.guidanceC],
  );
  const request = useMemo<SimulationRequest | null>(
    () => (whole ? firstBasket(whole, draft.perBasket) : null),
    [whole, draft.perBasket],
  );
  const { answer, pending, problem } = useSimulation(request);
  const [saved] = useState(() => inputOf(plan));
  const kept = useKept({
    key: plan.id,
    version: opened.version,
    saved,
    now: draft,
    possible: problem?.status !== 422,
    save: async (version, input) => {
      const plan = await savePlan(opened.id, version, { ...input, name: input.name.trim() || 'Unnamed dish' });
      queries.setQueryData<Plan[]>(['plans'], (all) => [plan, ...(all ?? []).filter((p) => p.id !== plan.id)]);
      return plan.version;
    },
  });

  const crowded =
    draft.perBasket !== undefined ||
    second !== undefined ||
    (answer !== null && answer.basket?.room === 0 && draft.load.pieces > 1) ||
    (problem?.errors?.some((e) => e.field === 'load.pieces') ?? false);
  const { baskets, pending: batching } = useBaskets(
    whole && crowded
      ? {
          request: whole,
          ...(draft.perBasket ? { perBasket: draft.perBasket } : {}),
          ...(second ? { second: simulated(second) } : {}),
        }
      : null,
  );
  const [basketWanted, show] = useState(0);
  const list = baskets?.batchings.find((b) => b.id === chosenOf(draft))?.baskets ?? [];
  const shown = Math.min(basketWanted, Math.max(0, list.length - 1));
  // The first of several is the one that is edited, and answers at once.
  const other = shown > 0 || second ? list[shown] : undefined;

  const [want, setWant] = useState('balanced');
  const search = useWays(problem ? null : request, want);
  const [bringing, setBringing] = useState(false);
  const [pinned, setPinned] = useState<string[]>([]);
  const pair = search.ways.filter((w) => pinned.includes(w.way));

  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (!(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== 'z') return;
      if (e.target instanceof HTMLInputElement && e.target.type === 'text' && e.target.id === 'dish-name') return;
      e.preventDefault();
      if (e.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, [undo, redo]);

  if (!fryer || !cut) return null;
  const program = draft.program;
  const change = (what: string, f: (p: typeof program) => typeof program) =>
    edit(what, (now) => ({ ...now, program: f(now.program) }));
  const raceEdit = editOf({ program, change, fryer, units, maxStages: catalog.limits.maxStages });

  const begin = async () => {
    setStarting(true);
    try {
      await startCook(plan.id, shown + 1);
      await queries.invalidateQueries({ queryKey: ['live'] });
      await navigate('/cook');
    } catch (cause) {
      complain(cause, { label: 'To the cook', run: () => void navigate('/cook') });
      setStarting(false);
    }
  };

  const display = other?.answer ?? answer;
  const shownFryer = other?.fryer === 1 && second ? second : fryer;
  const choose = (id: string, comfortable: number) =>
    edit('baskets', (now) => {
      const all = now.load.pieces;
      const helper = now.secondFryerId ?? fryers.find((f) => f.id !== now.fryerId)?.id;
      return {
        ...now,
        perBasket: id === 'several' ? Math.ceil(all / Math.ceil(all / comfortable)) : undefined,
        secondFryerId: id === 'together' ? helper : undefined,
      };
    });
  const bringRecipe =
    bringing && request ? (
      <Convert
        request={request}
        units={units}
        use={(p) => change('convert', (now) => ({ ...p, preheatMin: now.preheatMin ?? 0 }))}
        close={() => setBringing(false)}
      />
    ) : null;
  const theBasket =
    display === null ? null : (
      <Baskets
        plan={draft}
        fryer={shownFryer}
        answer={display}
        cut={cut}
        baskets={baskets}
        pending={batching && crowded}
        shown={shown}
        show={show}
        choose={choose}
        setPerBasket={(n) => edit('per basket', (now) => ({ ...now, perBasket: n }))}
        helper={fryers.find((f) => f.id !== draft.fryerId)}
        wrapped={draft.coat.id === 'wrap' || cut.id === 'prawn-wrapped'}
      />
    );
  return (
    <Page>
      <Head>
        <NameField
          aria-label="Name of the dish"
          value={draft.name}
          maxLength={80}
          onChange={(name) => edit('name', (now) => ({ ...now, name }))}
        >
          <Input id="dish-name" placeholder="Unnamed dish" />
        </NameField>
        <State role="status">
          {kept === 'kept' ? 'Kept' : kept === 'keeping' ? 'Keeping…' : 'Kept on this device only'}
        </State>
        <IconButton label="Undo" isDisabled={history.past.length === 0} onPress={undo}>
          <Undo2 size={18} aria-hidden />
        </IconButton>
        <IconButton label="Redo" isDisabled={history.future.length === 0} onPress={redo}>
          <Redo2 size={18} aria-hidden />
        </IconButton>
        <MainButton
          isDisabled={starting || kept === 'keeping' || !answer || problem !== null}
          onPress={() => void begin()}
        >
          Cook this
        </MainButton>
      </Head>
      <OrderLine
        plan={draft}
        edit={edit}
        catalog={catalog}
        fryers={fryers}
        units={units}
        piece={answer?.piece ?? null}
        most={catalog.limits.maxPieces}
        toBench={() => void navigate(`/bench/${plan.id}`)}
      />
      {problem ? (
        <Trouble role="alert">
          {problem.errors?.map((e) => `${e.field}: ${e.value} is not possible. Allowed: ${e.allowed}`).join('\n') ??
            problem.detail ??
            problem.title}
          {'\n'}The drawing shows what stood before.
          {baskets && !draft.perBasket && !second ? (
            <>
              {' '}
              <Button onPress={() => choose('several', baskets.comfortable)}>
                Fry them {baskets.comfortable} at a time
              </Button>
            </>
          ) : null}
        </Trouble>
      ) : null}
      <Columns>
        <Stack>
          <RaceCard aria-label="The race">
            {display ? (
              <>
                <Race
                  plant={cut.safety === 'plant'}
                  answer={display}
                  stages={other?.program.stages ?? program.stages}
                  turns={turnsOf(other?.program ?? program)}
                  faces={cut.faces}
                  units={units}
                  pending={other ? batching : pending}
                  {...(other ? {} : { edit: raceEdit })}
                />
                {other ? (
                  <Quiet>
                    {second
                      ? 'Both fryers follow your program, each as long as its share needs; one starts later so that both are done together. '
                      : 'Follows the first basket’s program from a hot fryer, as long as it needs. '}
                    <Button
                      onPress={() => {
                        show(0);
                        if (second) choose('one', draft.load.pieces);
                      }}
                    >
                      {second ? 'Edit it in one fryer' : 'Edit the first'}
                    </Button>
                  </Quiet>
                ) : null}
                {other ? null : (
                  <RaceTools
                    program={program}
                    change={change}
                    fryer={fryer}
                    maxStages={catalog.limits.maxStages}
                    bringing={bringing}
                    bring={setBringing}
                  />
                )}
              </>
            ) : problem ? null : (
              <Quiet role="status">Working it out…</Quiet>
            )}
          </RaceCard>
          {bringRecipe}
          {crowded ? theBasket : null}
        </Stack>
        <Side>
          {display ? (
            <>
              <Verdict
                plant={cut.safety === 'plant'}
                answer={display}
                pending={other ? batching : pending}
                units={units}
                totalMin={totalOf(other?.program ?? program)}
                mend={(change) => edit('mend', (now) => mendPlan(now, change))}
              />
              {crowded ? null : theBasket}
            </>
          ) : null}
        </Side>
      </Columns>
      {pair[0] && pair[1] && answer ? (
        <Compare
          pair={[pair[0], pair[1]]}
          rule={answer.rule}
          faces={cut.faces}
          units={units}
          close={() => setPinned([])}
        />
      ) : null}
      <Ways
        {...search}
        now={program}
        choose={(w) => change('way', (now) => ({ ...w.program, preheatMin: now.preheatMin ?? 0 }))}
        pinned={pinned}
        pin={(way, on) => setPinned((now) => (on ? [...now, way] : now.filter((w) => w !== way)))}
        want={want}
        setWant={setWant}
        wants={catalog.wants}
        units={units}
      />
      <Dishes plans={plans} here={plan} catalog={catalog} units={units} />
    </Page>
  );
}
