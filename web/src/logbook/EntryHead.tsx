import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import type { CookEntry, PlanInput } from '../api/client';
import {
  addPlan,
  deleteCook,
  fryers as fryersQuery,
  plans as plansQuery,
  restoreCook,
  startCook,
  takeBack,
} from '../api/queries';
import { alike } from '../plan/program';

import { Button, MainButton } from '../ui/Button';
import { Title } from '../ui/layout';
import { complain, say } from '../ui/toast';
import { Bar } from './parts';

/** What cuts lie in its basket. */
const foodOf = ({ lots }: Pick<PlanInput, 'lots'>) => lots.map((lot) => lot.load.cut).join();

/** How long after its end a cook may still go on, ms. */
const RECENT_MS = 30 * 60_000;

/** A cook by its name, and what can be done with it. */
export function EntryHead({ cook }: { cook: CookEntry }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  // The dish as it was cooked: that of today, if it still is that one, or a new one.
  const planAgain = async () => {
    try {
      const plans = await queries.query(plansQuery);
      const fryers = await queries.query(fryersQuery);
      const today = plans.find((p) => p.id === cook.planId);
      if (
        today &&
        cook.baskets === 1 &&
        alike(today.program, cook.plan.program) &&
        foodOf(today) === foodOf(cook.plan)
      ) {
        await navigate(`/plan/${today.id}`);
        return;
      }
      const fryerId = fryers.find((f) => f.id === cook.plan.fryerId)?.id ?? fryers[0]?.id ?? '';
      const made = addPlan(queries, { ...cook.plan, fryerId, name: `${cook.name}, as cooked`.slice(0, 80) });
      await navigate(`/plan/${made.id}`);
    } catch (cause) {
      complain(cause);
    }
  };
  const remove = async () => {
    try {
      await deleteCook(cook.id);
      await queries.invalidateQueries({ queryKey: ['cooks'] });
      await navigate('/logbook');
      say(`${cook.name} is out of the logbook.`, {
        label: 'Bring it back',
        run: () => void restoreCook(cook.id).then(() => queries.invalidateQueries({ queryKey: ['cooks'] }), complain),
      });
    } catch (cause) {
      complain(cause);
    }
  };
  const goOn = async () => {
    const out = cook.events.at(-1);
    if (!out) return;
    try {
      await takeBack(cook.id, out.id);
      await Promise.all([
        queries.invalidateQueries({ queryKey: ['live'] }),
        queries.invalidateQueries({ queryKey: ['cooks'] }),
      ]);
      await navigate('/cook');
    } catch (cause) {
      complain(cause);
    }
  };
  const next = async () => {
    try {
      await startCook(cook.planId ?? '', cook.basket + 1, cook.session);
      await queries.invalidateQueries({ queryKey: ['live'] });
      await navigate('/cook');
    } catch (cause) {
      complain(cause);
    }
  };
  const recent = cook.finishedAt ? Date.parse(cook.now) - Date.parse(cook.finishedAt) < RECENT_MS : false;
  return (
    <Bar>
      <Title>{cook.name}</Title>
      {cook.finishedAt && recent ? <Button onPress={() => void goOn()}>Not done after all: go on</Button> : null}
      {cook.finishedAt && recent && cook.planId && cook.basket < cook.baskets ? (
        <MainButton onPress={() => void next()}>
          Start basket {cook.basket + 1} of {cook.baskets}
        </MainButton>
      ) : null}
      <Button onPress={() => void planAgain()}>Plan it again</Button>
      {cook.finishedAt ? (
        <Button onPress={() => void remove()}>Delete</Button>
      ) : (
        <Button onPress={() => void navigate('/cook')}>It is still on: to the cook</Button>
      )}
    </Bar>
  );
}
