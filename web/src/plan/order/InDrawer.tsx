import { useQueryClient } from '@tanstack/react-query';
import type { Fryer, Plan, PlanInput } from '../../api/client';
import { savePlan } from '../../api/queries';
import { inputOf } from '../../dish/input';
import type { EditDish } from '../../dish/useDish';
import { once } from '../../ui/history';
import { Choice } from '../../ui/Choice';
import { complain, say } from '../../ui/toast';
import { otherOf, type Drawer, type Pair, type Ready } from '../beside';
import { Whole } from '../../ui/sentence';
import { OrderPart } from './part';

interface Props {
  id: string;
  plan: PlanInput;
  plans: Plan[];
  fryer: Fryer;
  pair: Pair | undefined;
  edit: EditDish;
}

const readies: { id: Ready; name: string; note?: string }[] = [
  { id: 'together', name: 'Ready together', note: 'the shorter begins later' },
  { id: 'start', name: 'Begun together' },
  { id: 'left-first', name: 'The left one first', note: 'the right when it is out' },
  { id: 'right-first', name: 'The right one first', note: 'the left when it is out' },
];
const readySays: Record<Ready, string> = {
  together: 'ready together',
  start: 'begun together',
  'left-first': 'the left one first',
  'right-first': 'the right one first',
};

/** In which of two drawers a dish lies, what lies in the other, and which is ready when. */
export function InDrawer({ id, plan, plans, fryer, pair, edit }: Props) {
  const queries = useQueryClient();
  if (fryer.drawers !== 2) return null;
  const { drawer } = plan;
  const put = async (p: Plan, change: Partial<PlanInput>) => {
    const got = await savePlan(p.id, p.version, { ...inputOf(p), ...change });
    queries.setQueryData<Plan[]>(['plans'], (all) => (all ?? []).map((o) => (o.id === got.id ? got : o)));
    return got;
  };
  // The other dish is put where it is to be; taken back, it is where it was.
  const beside = async (p: Plan) => {
    const mine = drawer ?? 'left';
    try {
      const got = await put(p, {
        fryerId: fryer.id,
        drawer: otherOf(mine),
        perBasket: undefined,
        secondFryerId: undefined,
      });
      edit(once, (now) => ({
        ...now,
        drawer: mine,
        besideId: p.id,
        ready: 'together',
        perBasket: undefined,
        secondFryerId: undefined,
      }));
      say(`${p.name} is in the ${otherOf(mine)} drawer now.`, {
        label: 'Undo',
        run: () => {
          edit(once, () => plan);
          put(got, inputOf(p)).catch(complain);
        },
      });
    } catch (cause) {
      complain(cause);
    }
  };
  const apart = () => {
    edit(once, (now) => ({ ...now, besideId: undefined, ready: undefined }));
    if (pair?.told === 'there') put(pair.other, { besideId: undefined, ready: undefined }).catch(complain);
  };
  const ready = (to: Ready) => {
    if (pair?.told === 'there') put(pair.other, { ready: to }).catch(complain);
    else edit(once, (now) => ({ ...now, ready: to }));
  };
  const lie = (to: Drawer | 'both') => {
    edit(once, (now) => ({
      ...now,
      drawer: to === 'both' ? undefined : to,
      ...(to === 'both' ? { besideId: undefined, ready: undefined } : {}),
    }));
    if (pair && to !== 'both' && pair.mine !== to) put(pair.other, { drawer: otherOf(to) }).catch(complain);
  };
  const others = plans.filter((p) => p.id !== id);
  return (
    <>
      ,{' '}
      <OrderPart title="Which drawer" text={drawer ? `the ${drawer} drawer` : 'the same in both drawers'}>
        {(close) => (
          <Choice
            label="It lies in"
            quiet
            options={[
              { id: 'both', name: 'Both drawers, the same in each', note: 'its pieces are shared out' },
              { id: 'left', name: 'The left drawer' },
              { id: 'right', name: 'The right drawer' },
            ]}
            value={drawer ?? 'both'}
            onChange={lie}
            onMeant={close}
          />
        )}
      </OrderPart>
      {drawer ? (
        <>
          {' '}
          beside{' '}
          <Whole>
            <OrderPart title={`In the ${otherOf(drawer)} drawer`} text={pair ? pair.other.name : 'nothing'}>
              {(close) => (
                <Choice
                  label={`In the ${otherOf(drawer)} drawer`}
                  quiet
                  options={[
                    { id: '', name: 'Nothing' },
                    ...others.map((p) => ({
                      id: p.id,
                      name: p.name,
                      ...(p.fryerId === fryer.id ? {} : { note: 'it comes over from another fryer' }),
                    })),
                  ]}
                  value={pair?.other.id ?? ''}
                  onChange={(to) => {
                    const p = others.find((o) => o.id === to);
                    if (p) void beside(p);
                    else apart();
                  }}
                  onMeant={close}
                />
              )}
            </OrderPart>
            {pair ? ',' : ''}
          </Whole>
        </>
      ) : null}
      {drawer && pair ? (
        <>
          {' '}
          <OrderPart title="Which is ready when" text={readySays[pair.ready]}>
            {(close) => (
              <Choice
                label="The two drawers"
                quiet
                options={readies}
                value={pair.ready}
                onChange={ready}
                onMeant={close}
              />
            )}
          </OrderPart>
        </>
      ) : null}
    </>
  );
}
