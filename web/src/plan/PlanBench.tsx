import { useQueryClient } from '@tanstack/react-query';
import { Redo2, Split, Trash2, Undo2 } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { Input, TextField } from 'react-aria-components';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import type { Catalog, Fryer, Plan, PlanInput, Settings, SimulationRequest } from '../api/client';
import { savePlan, startCook } from '../api/queries';
import { minutes, unitsOf } from '../format/units';
import { Race, type RaceEdit } from '../race/Race';
import { at, type } from '../theme/tokens';
import { Button, IconButton, MainButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Card, Page, Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { useHistory } from '../ui/history';
import { Stepper } from '../ui/Stepper';
import { unsent, useKept } from '../ui/useKept';
import { complain } from '../ui/toast';
import { BasketView } from './BasketView';
import { Dishes } from './Dishes';
import { OrderLine } from './OrderLine';
import {
  addTurn,
  mendPlan,
  nudgeStage,
  removeStage,
  removeTurn,
  setStage,
  setTurn,
  splitStage,
  totalOf,
  turnsOf,
} from './program';
import { useSimulation } from './useSimulation';
import { Verdict } from './Verdict';

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

const Tools = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
`;

const Basket = styled(Card)`
  display: grid;
  grid-template-columns: 112px 1fr;
  gap: 16px;
  align-items: center;
  h2 {
    font-size: 18px;
    margin-bottom: 3px;
  }
`;

const Trouble = styled.p`
  background: var(--lemon-wash);
  border-radius: 10px;
  padding: 10px 12px;
  margin-bottom: 10px;
  white-space: pre-line;
`;

/** The part of a plan that the cook edits. */
function inputOf(p: PlanInput): PlanInput {
  const { name, fryerId, load, coat, program, tableTime } = p;
  return { name, fryerId, load, coat, program, ...(tableTime ? { tableTime } : {}) };
}

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

  const request = useMemo<SimulationRequest | null>(
    () =>
      fryer
        ? {
            load: draft.load,
            coat: draft.coat,
            program: draft.program,
            fryer: {
              kind: fryer.kind,
              powerW: fryer.powerW,
              basket: fryer.basket,
              airflow: fryer.airflow,
              dialOffsetC: fryer.dialOffsetC,
            },
            guidance: settings.guidance,
            ...(settings.guidance === 'stricter' ? { guidanceC: settings.guidanceC } : {}),
            tailMin: Math.min(6, Math.max(2, Math.round(totalOf(draft.program) * 0.15))),
          }
        : null,
    [draft.load, draft.coat, draft.program, fryer, settings.guidance, settings.guidanceC],
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
  const dial = {
    min: units.toDegrees(fryer.dialMinC),
    max: units.toDegrees(fryer.dialMaxC),
    step: units.degree === '°F' ? Math.max(5, Math.round((fryer.dialStepC * 9) / 25) * 5) : fryer.dialStepC,
  };

  const stageBody = (i: number) => {
    const s = program.stages[i];
    if (!s) return null;
    return (
      <>
        <Stepper
          label="Dial"
          unit={units.degree}
          value={units.toDegrees(s.airC)}
          {...dial}
          onChange={(d) =>
            change(`air${i}`, (p) => setStage(p, i, { airC: Math.round(units.fromDegrees(d) * 10) / 10 }))
          }
        />
        <Stepper
          label="For"
          unit="min"
          value={s.minutes}
          min={1}
          max={90}
          step={1}
          onChange={(m) => change(`length${i}`, (p) => setStage(p, i, { minutes: m }))}
        />
        {i === 0 ? (
          <Stepper
            label="Heat the empty fryer first"
            unit="min"
            value={program.preheatMin ?? 0}
            min={0}
            max={15}
            onChange={(m) => change('preheat', (p) => ({ ...p, preheatMin: m }))}
          />
        ) : null}
        <Tools>
          <Button
            isDisabled={s.minutes < 2 || program.stages.length >= catalog.limits.maxStages}
            onPress={() => change('split', (p) => splitStage(p, i, fryer))}
          >
            <Split size={16} aria-hidden /> Split in two
          </Button>
          <Button
            isDisabled={program.stages.length === 1}
            onPress={() => change('remove stage', (p) => removeStage(p, i))}
          >
            <Trash2 size={16} aria-hidden /> Take away
          </Button>
        </Tools>
      </>
    );
  };
  const turnBody = (i: number) => {
    const t = turnsOf(program)[i];
    if (!t) return null;
    return (
      <>
        <Stepper
          label="At minute"
          value={t.atMin}
          min={0.5}
          max={totalOf(program) - 0.5}
          step={0.5}
          onChange={(m) => change(`turn${i}`, (p) => setTurn(p, i, { atMin: m }))}
        />
        <Choice
          label="How"
          options={[
            { id: 'flip', name: 'Turn each piece over' },
            { id: 'shake', name: 'Shake the basket' },
          ]}
          value={t.kind === 'shake' ? 'shake' : 'flip'}
          onChange={(kind) => change(`kind${i}`, (p) => setTurn(p, i, { kind }))}
        />
        <Button onPress={() => change('remove turn', (p) => removeTurn(p, i))}>
          <Trash2 size={16} aria-hidden /> Take away
        </Button>
      </>
    );
  };
  const raceEdit: RaceEdit = {
    stage: (i, steps, mins) => change(`stage${i}`, (p) => nudgeStage(p, i, fryer, steps, mins)),
    removeStage: (i) => change('remove stage', (p) => removeStage(p, i)),
    turn: (i, mins) => change(`turn${i}`, (p) => setTurn(p, i, { atMin: (turnsOf(p)[i]?.atMin ?? 0) + mins })),
    removeTurn: (i) => change('remove turn', (p) => removeTurn(p, i)),
    stageBody,
    turnBody,
  };

  const mendLabel = (field: string, value: number): string | null => {
    const now = mendPlan(draft, field, value);
    if (JSON.stringify(now) === JSON.stringify(draft)) return null;
    if (field.endsWith('.minutes')) return `Let it run ${minutes(totalOf(now.program))} min`;
    if (field.endsWith('.airC')) return `Stay at ${units.temperature(value)}`;
    if (field.endsWith('.atMin')) return `Turn at minute ${minutes(value)}`;
    if (field === 'load.pieces') return `Put ${value} in this basket`;
    if (field === 'coat.oilG') return `Oil it with ${units.mass(value)}`;
    return null;
  };

  const begin = async () => {
    setStarting(true);
    try {
      await startCook(plan.id);
      await queries.invalidateQueries({ queryKey: ['live'] });
      await navigate('/cook');
    } catch (cause) {
      complain(cause, { label: 'To the cook', run: () => void navigate('/cook') });
      setStarting(false);
    }
  };

  const basket = answer?.basket;
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
        most={answer?.basket?.most ?? catalog.limits.maxPieces}
      />
      {problem ? (
        <Trouble role="alert">
          {problem.errors?.map((e) => `${e.field}: ${e.value} is not possible. Allowed: ${e.allowed}`).join('\n') ??
            problem.detail ??
            problem.title}
          {'\n'}The drawing shows what stood before.
        </Trouble>
      ) : null}
      <Columns>
        <RaceCard aria-label="The race">
          {answer ? (
            <>
              <Race
                plant={cut.safety === 'plant'}
                answer={answer}
                stages={program.stages}
                turns={turnsOf(program)}
                faces={cut.faces}
                units={units}
                pending={pending}
                edit={raceEdit}
              />
              <Tools>
                <Pop
                  title="Heat the fryer first"
                  body={
                    <Stepper
                      label="Empty, before the food"
                      unit="min"
                      value={program.preheatMin ?? 0}
                      min={0}
                      max={15}
                      onChange={(m) => change('preheat', (p) => ({ ...p, preheatMin: m }))}
                    />
                  }
                >
                  <Button>
                    {program.preheatMin ? `Heated ${minutes(program.preheatMin)} min first` : 'From a cold fryer'}
                  </Button>
                </Pop>
                <Button
                  isDisabled={turnsOf(program).length >= 12}
                  onPress={() => change('add turn', (p) => addTurn(p, 'flip'))}
                >
                  Add a turn
                </Button>
                <Button
                  isDisabled={turnsOf(program).length >= 12}
                  onPress={() => change('add turn', (p) => addTurn(p, 'shake'))}
                >
                  Add a shake
                </Button>
                <Button
                  isDisabled={program.stages.length >= catalog.limits.maxStages}
                  onPress={() => change('split', (p) => splitStage(p, p.stages.length - 1, fryer))}
                >
                  Add a stage
                </Button>
              </Tools>
            </>
          ) : problem ? null : (
            <Quiet role="status">Working it out…</Quiet>
          )}
        </RaceCard>
        <Side>
          {answer ? (
            <>
              <Verdict
                plant={cut.safety === 'plant'}
                answer={answer}
                pending={pending}
                units={units}
                totalMin={totalOf(program)}
                mend={(field, value) => edit('mend', (now) => mendPlan(now, field, value))}
                mendLabel={mendLabel}
              />
              <Basket aria-label="The basket">
                <BasketView
                  basket={fryer.basket}
                  answer={answer}
                  form={cut.form}
                  label={`${draft.load.pieces} pieces in the ${fryer.name}`}
                />
                <div>
                  <h2>{answer.layers > 1 ? 'Over one layer' : 'One basket'}</h2>
                  <Quiet>
                    {Math.round(answer.coverage * 100)} % covered, {basket?.words}.
                    {basket && basket.room > 0 && answer.layers === 1
                      ? ` Room for ${basket.room} more before air stops moving.`
                      : ''}
                  </Quiet>
                </div>
              </Basket>
            </>
          ) : null}
        </Side>
      </Columns>
      <Dishes plans={plans} here={plan} catalog={catalog} units={units} />
    </Page>
  );
}
