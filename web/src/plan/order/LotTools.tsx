import { Copy, Plus, Split, Trash2 } from 'lucide-react';
import styled from 'styled-components';
import { limitOf, within } from '../../api/limits';
import { addLot, copyLot, dropLot, setInOut, splitLot } from '../../dish/edits';
import { minutes } from '../../format/units';
import { once, runIn } from '../../ui/history';
import { Button } from '../../ui/Button';
import { say } from '../../ui/toast';
import type { PlanInput } from '../../api/client';
import { Labelled, Text } from '../../ui/Select';
import { Stepper } from '../../ui/Stepper';
import { totalOf } from '../program';
import { OrderPart, type Order } from './part';

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`;

/** When a lot goes in and comes out, where that is not with the others. */
function whenSays({ lot, plan }: Order): string {
  const { inMin = 0, outMin } = lot;
  const out = outMin !== undefined && outMin < totalOf(plan.program);
  return (
    [inMin > 0 ? `in at ${minutes(inMin)}` : '', out ? `out at ${minutes(outMin)}` : ''].filter(Boolean).join(', ') ||
    'in all along'
  );
}

/** When a lot goes in, and when it comes out. */
export function WhenIn({ plan, edit, at, catalog }: Pick<Order, 'plan' | 'edit' | 'at' | 'catalog'>) {
  const lot = plan.lots[at];
  if (!lot) return null;
  const end = totalOf(plan.program);
  const grain = within(catalog, 'program.stages.minutes');
  return (
    <>
      <Stepper
        label="They go in at"
        unit="min"
        value={lot.inMin ?? 0}
        min={0}
        max={end - grain.min}
        step={grain.step}
        onChange={(m) => edit(runIn('lot in', at), (now) => setInOut(now, at, { inMin: m }, grain))}
      />
      <Stepper
        label="They come out at"
        unit="min"
        value={Math.min(lot.outMin ?? end, end)}
        min={(lot.inMin ?? 0) + grain.min}
        max={end}
        step={grain.step}
        onChange={(m) => edit(runIn('lot out', at), (now) => setInOut(now, at, { outMin: m }, grain))}
      />
    </>
  );
}

/** What one of several lots is called, and when it goes in and out. */
export function LotTools(order: Order) {
  const { plan, lot, at, edit, editLot, catalog } = order;
  const said = [lot.name ? `the ${lot.name}` : '', whenSays(order)].filter(Boolean).join(', ');
  return (
    <OrderPart title={`Lot ${at + 1}`} text={said} width={420}>
      {(close) => (
        <>
          <Labelled>
            What you call them
            <Text
              value={lot.name ?? ''}
              maxLength={40}
              onChange={(e) => editLot('lot name', (now) => ({ ...now, name: e.target.value || undefined }))}
            />
          </Labelled>
          <WhenIn {...{ plan, edit, at, catalog }} />
          <LotButtons {...order} close={close} />
        </>
      )}
    </OrderPart>
  );
}

/** A lot split in two, another beside it, or this one taken away. */
export function LotButtons({ plan, lot, at, edit, catalog, close }: Order & { close: () => void }) {
  const full = plan.lots.length >= limitOf(catalog, 'lots').max;
  const more = (change: (now: PlanInput) => PlanInput) => {
    close();
    edit(once, change);
    if (plan.perBasket || plan.secondFryerId) say('Several lots lie in one basket: all of it goes in at once now.');
  };
  return (
    <Row>
      <Button isDisabled={full || lot.load.pieces < 2} onPress={() => more((now) => splitLot(now, at))}>
        <Split size={16} aria-hidden /> Split them: two ways with the same pieces
      </Button>
      <Button isDisabled={full} onPress={() => more((now) => addLot(now, at))}>
        <Plus size={16} aria-hidden /> Something else beside them
      </Button>
      <Button isDisabled={full} onPress={() => more((now) => copyLot(now, at))}>
        <Copy size={16} aria-hidden /> The same again, to be changed
      </Button>
      {plan.lots.length > 1 ? (
        <Button
          onPress={() => {
            close();
            edit(once, (now) => dropLot(now, at));
          }}
        >
          <Trash2 size={16} aria-hidden /> Leave them out
        </Button>
      ) : null}
    </Row>
  );
}
