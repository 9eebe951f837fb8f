import { once } from '../ui/history';
import type { Catalog, Plan } from '../api/client';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Pop } from '../ui/Pop';
import { Select } from '../ui/Select';
import { Part } from '../ui/sentence';
import { SideSteps } from './SideSteps';
import type { EditSupper, Evening } from './useSupper';

interface Props {
  evening: Evening;
  edit: EditSupper;
  plans: Plan[];
  catalog: Catalog;
}

/** One dish of a supper: in which fryer, and whether it goes back in. */
export function DishPart({ index: i, evening, edit, plans }: Omit<Props, 'catalog'> & { index: number }) {
  const d = evening.dishes[i];
  const plan = plans.find((p) => p.id === d?.planId);
  if (!d) return null;
  return (
    <Pop
      title={plan?.name ?? 'A dish that is gone'}
      body={(close) => (
        <>
          <Choice
            label="In which fryer"
            options={[
              { id: 'own', name: 'Its own' },
              { id: 'any', name: 'Any, as the sheet likes' },
            ]}
            value={d.anyFryer ? 'any' : 'own'}
            onChange={(v) =>
              edit('fryer', (e) => ({
                ...e,
                dishes: e.dishes.map((o, k) => (k === i ? { ...o, anyFryer: v === 'any' || undefined } : o)),
              }))
            }
          />
          <Choice
            label="A flash at the end, for what has waited"
            options={[
              { id: 'weighed', name: 'If it is worth it' },
              { id: 'yes', name: 'Yes' },
              { id: 'no', name: 'No' },
            ]}
            value={d.flash === undefined ? 'weighed' : d.flash ? 'yes' : 'no'}
            onChange={(v) =>
              edit('flash', (e) => ({
                ...e,
                dishes: e.dishes.map((o, k) =>
                  k === i ? { ...o, flash: v === 'weighed' ? undefined : v === 'yes' } : o,
                ),
              }))
            }
          />
          {evening.dishes.length > 1 ? (
            <Button
              onPress={() => {
                edit(once, (e) => ({
                  ...e,
                  dishes: e.dishes.filter((_, k) => k !== i),
                  order: undefined,
                  pins: (e.pins ?? []).filter((p) => !p.task.startsWith(`${d.planId}/`)),
                }));
                close();
              }}
            >
              Not this time
            </Button>
          ) : null}
        </>
      )}
    >
      <Part>{plan?.name ?? 'a dish that is gone'}</Part>
    </Pop>
  );
}

/** One side of a supper, with steps of its own. */
export function SidePart({ index: i, evening, edit, catalog }: Omit<Props, 'plans'> & { index: number }) {
  const side = evening.sides?.[i];
  if (!side) return null;
  return (
    <Pop
      title="A side with steps of its own"
      width={440}
      body={(close) => (
        <SideSteps
          side={side}
          hands={evening.hands}
          catalog={catalog}
          change={(next) =>
            edit(`side ${i}`, (e) => ({ ...e, sides: (e.sides ?? []).map((o, k) => (k === i ? next : o)) }))
          }
          drop={() => {
            edit(once, (e) => ({ ...e, sides: (e.sides ?? []).filter((_, k) => k !== i) }));
            close();
          }}
        />
      )}
    >
      <Part>{side.name ?? side.id}</Part>
    </Pop>
  );
}

/** Something more for a supper. */
export function MorePart({ evening, edit, plans, catalog }: Props) {
  return (
    <Pop
      title="Something more"
      body={(close) => (
        <>
          <label>
            <span className="quietly">A dish</span>
            <Select
              value=""
              onChange={(ev) => {
                const id = ev.target.value;
                if (id) edit(once, (e) => ({ ...e, dishes: [...e.dishes, { planId: id }], order: undefined }));
                close();
              }}
            >
              <option value="">A dish…</option>
              {plans
                .filter((p) => !evening.dishes.some((d) => d.planId === p.id))
                .map((p) => (
                  <option key={p.id} value={p.id}>
                    {p.name}
                  </option>
                ))}
            </Select>
          </label>
          <Button
            onPress={() => {
              edit(once, (e) => ({
                ...e,
                sides: [
                  ...(e.sides ?? []),
                  {
                    ...catalog.usual.evening.side,
                    id: `side${(e.sides ?? []).length + 1}-${Date.now().toString(36)}`,
                  },
                ],
              }));
              close();
            }}
          >
            A side with steps of its own
          </Button>
        </>
      )}
    >
      <Part className="no-print">and more</Part>
    </Pop>
  );
}
