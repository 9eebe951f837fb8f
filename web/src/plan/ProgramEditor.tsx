import { once, type Run } from '../ui/history';
import { ArrowLeftRight, Split, Trash2 } from 'lucide-react';
import styled from 'styled-components';
import type { Catalog, Fryer, PlanInput, Schemas } from '../api/client';
import { limitOf, within } from '../api/limits';
import { waits } from '../format/stage';
import { minutes, type Units } from '../format/units';
import type { RaceEdit } from '../race/Handles';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Pop } from '../ui/Pop';
import { Stepper } from '../ui/Stepper';
import { setInOut } from '../dish/edits';
import type { EditDish } from '../dish/useDish';
import { WhenIn } from './order/LotTools';
import { Which } from './Which';
import { BrushBody } from './BrushBody';
import {
  addBrush,
  addTurn,
  grainOf,
  maySplit,
  nudgeStage,
  onDial,
  removeStage,
  removeTurn,
  setJoin,
  setStage,
  setTurn,
  splitStage,
  totalOf,
  turnsOf,
} from './program';

const Tools = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
`;

type Program = PlanInput['program'];
type Change = (run: Run, f: (p: Program) => Program) => void;

interface Editing {
  program: Program;
  change: Change;
  fryer: Fryer;
  /** All of the household's, in which a stage may be. */
  fryers: Fryer[];
  units: Units;
  catalog: Catalog;
  /** When and how hot each brush stands, once that is known. */
  brushes: Schemas['Brushed'][] | undefined;
  /** The lots of the dish, by their names. */
  lots: string[];
}

interface EditingLots extends Editing {
  plan: PlanInput;
  edit: EditDish;
}

/** From where a stage is heated, and in which fryer. */
function HeatedBy({ program, change, fryer, fryers, catalog, i }: Editing & { i: number }) {
  const s = program.stages[i];
  if (!s) return null;
  const grain = grainOf(catalog, fryer);
  const within = fryers.find((f) => f.id === s.fryerId) ?? fryer;
  const heat = !s.grill ? 'air' : s.fan === false ? 'still' : 'grill';
  return (
    <>
      {within.grill || s.grill ? (
        <Choice
          label="Heated by"
          options={[
            { id: 'air', name: 'Its heater and fan' },
            { id: 'grill', name: 'The grill, with the fan' },
            { id: 'still', name: 'The grill alone', note: 'the fan stands' },
          ]}
          value={heat}
          onChange={(by) =>
            change(once, (p) =>
              setStage(
                p,
                i,
                { grill: by === 'air' ? undefined : true, fan: by === 'still' ? false : undefined },
                grain,
              ),
            )
          }
        />
      ) : null}
      {fryers.length > 1 ? (
        <Choice
          label="In which fryer"
          quiet
          options={[
            { id: fryer.id, name: fryer.name, note: 'the dish’s own' },
            ...fryers
              .filter((f) => f.id !== fryer.id)
              .map((f) => ({ id: f.id, name: f.name, note: f.grill ? 'with a grill' : 'hot when the food comes' })),
          ]}
          value={s.fryerId ?? fryer.id}
          onChange={(id) => {
            const to = fryers.find((f) => f.id === id) ?? fryer;
            const by = to.grill ? {} : { grill: undefined, fan: undefined };
            const other = id === fryer.id ? {} : { fryerId: id, fryerName: to.name };
            const airC = onDial(s.airC, to.dial);
            change(once, (p) =>
              setStage(p, i, { fryerId: undefined, fryerName: undefined, ...other, ...by, airC }, grain),
            );
          }}
        />
      ) : null}
    </>
  );
}

function StageBody(editing: Editing & { i: number }) {
  const { program, change, fryer, fryers, units, catalog, i } = editing;
  const s = program.stages[i];
  if (!s) return null;
  const { dial } = fryers.find((f) => f.id === s.fryerId) ?? fryer;
  const grain = grainOf(catalog, fryer);
  const hold = (id: string) => id as NonNullable<typeof s.hold>;
  const between = i > 0 && i < program.stages.length - 1;
  return (
    <>
      <Stepper
        label="Dial"
        value={units.heat.to(s.airC)}
        {...units.heat.stepper({ min: dial.minC, max: dial.maxC, step: dial.stepC })}
        onChange={(d) => change(`air${i}`, (p) => setStage(p, i, { airC: units.heat.from(d) }, grain))}
      />
      <Stepper
        label="For"
        unit="min"
        value={s.minutes}
        {...within(catalog, 'program.stages.minutes')}
        onChange={(m) => change(`length${i}`, (p) => setStage(p, i, { minutes: m }, grain))}
      />
      {waits(s) ? (
        <>
          <Choice
            label="Where it stands"
            options={catalog.holds.map((h) => ({ id: hold(h.id), name: h.name }))}
            value={s.hold ?? hold(catalog.holds[0]?.id ?? '')}
            onChange={(at) => change(`hold${i}`, (p) => setStage(p, i, { hold: at }, grain))}
          />
          {s.hold === 'warm' ? (
            <Stepper
              label="The oven"
              value={units.heat.to(s.holdC ?? catalog.usual.warmC)}
              {...units.heat.stepper(limitOf(catalog, 'program.stages.holdC'))}
              onChange={(d) => change(`oven${i}`, (p) => setStage(p, i, { holdC: units.heat.from(d) }, grain))}
            />
          ) : null}
        </>
      ) : (
        <HeatedBy {...editing} />
      )}
      {i === 0 ? (
        <Stepper
          label="Heat the empty fryer first"
          unit="min"
          value={program.preheatMin ?? 0}
          {...within(catalog, 'program.preheatMin')}
          onChange={(m) => change('preheat', (p) => ({ ...p, preheatMin: m }))}
        />
      ) : null}
      <Tools>
        {between ? (
          <Button
            onPress={() =>
              change(once, (p) => ({
                ...p,
                stages: p.stages.map((st, k) => (k === i ? { ...st, rest: !waits(st), hold: undefined } : st)),
              }))
            }
          >
            {waits(s) ? 'Cook through it' : 'Take it out to rest'}
          </Button>
        ) : null}
        <Button
          isDisabled={!maySplit(s, grain) || program.stages.length >= limitOf(catalog, 'program.stages').max}
          onPress={() => change(once, (p) => splitStage(p, i, grain))}
        >
          <Split size={16} aria-hidden /> Split in two
        </Button>
        <Button isDisabled={program.stages.length === 1} onPress={() => change(once, (p) => removeStage(p, i, grain))}>
          <Trash2 size={16} aria-hidden /> Take away
        </Button>
      </Tools>
    </>
  );
}

function TurnBody({ program, change, fryer, units, catalog, brushes, lots, i }: Editing & { i: number }) {
  const t = turnsOf(program)[i];
  if (!t) return null;
  const grain = grainOf(catalog, fryer);
  // Answers count turns by their minutes.
  const at = [...turnsOf(program)].sort((a, b) => a.atMin - b.atMin).indexOf(t);
  return (
    <>
      <Stepper
        label="At minute"
        value={t.atMin}
        min={grain.minutes.min}
        max={totalOf(program) - grain.minutes.min}
        step={grain.minutes.step}
        onChange={(m) => change(`turn${i}`, (p) => setTurn(p, i, { atMin: m }, grain))}
      />
      {t.kind === 'out' || t.kind === 'in' ? null : (
        <Choice
          label="How"
          options={[
            { id: 'flip', name: 'Turn each piece over' },
            { id: 'shake', name: 'Shake the basket' },
            { id: 'check', name: 'Only look and probe' },
            { id: 'brush', name: 'Brush something on' },
          ]}
          value={t.kind}
          onChange={(kind) =>
            change(once, (p) =>
              setTurn(p, i, { kind, brush: kind === 'brush' ? (t.brush ?? grain.brush) : undefined }, grain),
            )
          }
        />
      )}
      {lots.length > 1 ? (
        <Which
          lots={lots}
          chosen={t.lots ?? []}
          all={t.kind !== 'out' && t.kind !== 'in'}
          choose={(of) => change(once, (p) => setTurn(p, i, { lots: of }, grain))}
        />
      ) : null}
      {t.brush ? (
        <BrushBody
          brush={t.brush}
          onChange={(brush) => change(`brush${i}`, (p) => setTurn(p, i, { brush }, grain))}
          says={brushes?.find((b) => b.turn === at)?.says}
          catalog={catalog}
          units={units}
        />
      ) : null}
      <Button onPress={() => change(once, (p) => removeTurn(p, i))}>
        <Trash2 size={16} aria-hidden /> Take away
      </Button>
    </>
  );
}

/** What the race can change, by hand and by keyboard. */
export function editOf(editing: EditingLots): RaceEdit {
  const { change, fryer, catalog, plan, edit } = editing;
  const grain = grainOf(catalog, fryer);
  return {
    stage: (i, steps, mins) => change(`stage${i}`, (p) => nudgeStage(p, i, steps, mins, grain)),
    removeStage: (i) => change(once, (p) => removeStage(p, i, grain)),
    turn: (i, mins) => change(`turn${i}`, (p) => setTurn(p, i, { atMin: (turnsOf(p)[i]?.atMin ?? 0) + mins }, grain)),
    removeTurn: (i) => change(once, (p) => removeTurn(p, i)),
    stageBody: (i) => <StageBody {...editing} i={i} />,
    turnBody: (i) => <TurnBody {...editing} i={i} />,
    lotBody: (lot) => <WhenIn {...{ plan, edit, catalog }} at={lot} />,
    edge: (run, { lot, kind }, m) =>
      edit(run, (now) => setInOut(now, lot, kind === 'in' ? { inMin: m } : { outMin: m }, grain.minutes)),
    dragAir: (drag, i, airC) => change(drag, (p) => setStage(p, i, { airC: onDial(airC, fryer.dial) }, grain)),
    dragLength: (drag, i, mins) => change(drag, (p) => setStage(p, i, { minutes: Math.round(mins) }, grain)),
    dragJoin: (drag, i, minute) => change(drag, (p) => setJoin(p, i, minute, grain)),
    dragTurn: (drag, i, minute) => change(drag, (p) => setTurn(p, i, { atMin: minute }, grain)),
  };
}

interface ToolsProps extends Omit<Editing, 'units' | 'brushes' | 'lots' | 'fryers'> {
  bringing: boolean;
  bring: (on: boolean) => void;
}

/** The row under the race: heating, turns, stages, and recipes from elsewhere. */
export function RaceTools({ program, change, fryer, catalog, bringing, bring }: ToolsProps) {
  const grain = grainOf(catalog, fryer);
  const full = turnsOf(program).length >= limitOf(catalog, 'program.turns').max;
  return (
    <Tools>
      <Pop
        title="Heat the fryer first"
        body={
          <Stepper
            label="Empty, before the food"
            unit="min"
            value={program.preheatMin ?? 0}
            {...within(catalog, 'program.preheatMin')}
            onChange={(m) => change('preheat', (p) => ({ ...p, preheatMin: m }))}
          />
        }
      >
        <Button>{program.preheatMin ? `Heated ${minutes(program.preheatMin)} min first` : 'From a cold fryer'}</Button>
      </Pop>
      <Button isDisabled={full} onPress={() => change(once, (p) => addTurn(p, 'flip', grain))}>
        Add a turn
      </Button>
      <Button isDisabled={full} onPress={() => change(once, (p) => addTurn(p, 'shake', grain))}>
        Add a shake
      </Button>
      <Button isDisabled={full} onPress={() => change(once, (p) => addTurn(p, 'check', grain))}>
        Add a check
      </Button>
      <Button isDisabled={full} onPress={() => change(once, (p) => addBrush(p, grain))}>
        Add a brush
      </Button>
      <Button
        isDisabled={
          program.stages.length >= limitOf(catalog, 'program.stages').max || !maySplit(program.stages.at(-1), grain)
        }
        onPress={() => change(once, (p) => splitStage(p, p.stages.length - 1, grain))}
      >
        Add a stage
      </Button>
      <Button aria-expanded={bringing} onPress={() => bring(!bringing)}>
        <ArrowLeftRight size={16} aria-hidden /> From oil, oven or packet
      </Button>
    </Tools>
  );
}
