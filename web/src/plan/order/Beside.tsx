import type { Schemas } from '../../api/client';
import { limitOf, within } from '../../api/limits';
import { useCoats } from '../../api/queries';
import { setGroups } from '../../dish/edits';
import { Button } from '../../ui/Button';
import { Labelled, Select, Text } from '../../ui/Select';
import { Stepper } from '../../ui/Stepper';
import { OrderPart, type Order } from './part';

type Group = Schemas['Group'];

/** What else lies in the basket, if anything does. */
export const Beside = (order: Order) => (order.plan.groups?.length ? <Others {...order} /> : null);

function Others(order: Order) {
  const { plan, edit, catalog, units } = order;
  const groups = plan.groups ?? [];
  const own = useCoats().data ?? [];
  const change = (k: number, what: string, next: Partial<Group>) =>
    edit(`group ${k} ${what}`, (now) =>
      setGroups(
        now,
        (now.groups ?? []).map((g, n) => (n === k ? { ...g, ...next } : g)),
      ),
    );
  return groups.map((g, k) => {
    const cut = catalog.cuts.find((c) => c.id === g.load.cut);
    const coat = catalog.coats.find((c) => c.id === (g.coat?.id ?? 'bare'));
    const kept = g.coat?.layers
      ? own.find((o) => JSON.stringify(o.layers) === JSON.stringify(g.coat?.layers))
      : undefined;
    const coated = kept ? `in ${kept.name}` : (coat?.says ?? 'in a coat of your own');
    const name = g.load.pieces === 1 ? cut?.name : cut?.plural;
    const limits = cut ? { min: cut.leastG, max: cut.mostG, step: 1 } : { min: 2, max: 800, step: 1 };
    return (
      <span key={k}>
        , beside{' '}
        <OrderPart title="Beside them" text={`${g.load.pieces} ${g.name ?? name ?? ''} ${coated}`} width={440}>
          {(close) => (
            <>
              <Labelled>
                Of which cut
                <Select
                  value={g.load.cut}
                  onChange={(e) => {
                    const next = catalog.cuts.find((c) => c.id === e.target.value);
                    if (next)
                      change(k, 'cut', {
                        name: undefined,
                        load: { ...g.load, cut: next.id, pieceMassG: next.typicalG, thicknessMm: undefined },
                      });
                  }}
                >
                  {catalog.cuts.map((c) => (
                    <option key={c.id} value={c.id}>
                      {c.name}
                    </option>
                  ))}
                </Select>
              </Labelled>
              <Labelled>
                What you call them
                <Text
                  value={g.name ?? ''}
                  placeholder={name}
                  maxLength={40}
                  onChange={(e) => change(k, 'name', { name: e.target.value.trimStart() || undefined })}
                />
              </Labelled>
              <Stepper
                label="Pieces"
                value={g.load.pieces}
                {...within(catalog, 'load.pieces')}
                onChange={(pieces) => change(k, 'pieces', { load: { ...g.load, pieces } })}
              />
              <Stepper
                label="One weighs"
                value={units.weight.to(g.load.pieceMassG)}
                {...units.weight.stepper(limits)}
                onChange={(w) => change(k, 'size', { load: { ...g.load, pieceMassG: units.weight.from(w) } })}
              />
              <Labelled>
                In which coat
                <Select
                  value={kept?.id ?? g.coat?.id ?? 'bare'}
                  onChange={(e) => {
                    const mine = own.find((o) => o.id === e.target.value);
                    change(k, 'coat', {
                      coat: mine
                        ? { ...g.coat, id: 'made', layers: mine.layers }
                        : { ...g.coat, id: e.target.value, layers: undefined },
                    });
                  }}
                >
                  {own.map((o) => (
                    <option key={o.id} value={o.id}>
                      {o.name}
                    </option>
                  ))}
                  {catalog.coats.map((c) => (
                    <option key={c.id} value={c.id}>
                      {c.name}
                    </option>
                  ))}
                </Select>
              </Labelled>
              <Stepper
                label="Oil on all of them"
                value={units.weight.to(g.coat?.oilG ?? 0)}
                {...units.weight.stepper(limitOf(catalog, 'coat.oilG'))}
                onChange={(w) => change(k, 'oil', { coat: { id: 'bare', ...g.coat, oilG: units.weight.from(w) } })}
              />
              <Button
                onPress={() => {
                  close();
                  edit('take a group away', (now) =>
                    setGroups(
                      now,
                      (now.groups ?? []).filter((_, n) => n !== k),
                      k + 1,
                    ),
                  );
                }}
              >
                Not in this basket
              </Button>
            </>
          )}
        </OrderPart>
      </span>
    );
  });
}
