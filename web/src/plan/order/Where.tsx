import { useState } from 'react';
import type { Catalog, Fryer, Lot, PlanInput } from '../../api/client';
import { FryerFields } from '../../fryers/AddFryer';
import { basketWords } from '../../fryers/basketWords';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Stepper } from '../../ui/Stepper';
import { setLoad } from '../../dish/edits';
import type { EditDish } from '../../dish/useDish';
import type { Units } from '../../format/units';
import { OrderPart } from './part';

type Under = NonNullable<Lot['load']['under']>;

const unders: { id: Under; name: string; note?: string }[] = [
  { id: 'grate', name: 'The grate' },
  { id: 'greased', name: 'The grate, greased' },
  { id: 'perforated', name: 'A perforated liner' },
  { id: 'half', name: 'Half a sheet of paper' },
  { id: 'foil', name: 'Foil', note: 'no air from below' },
];

const underSays: Record<Under, string> = {
  grate: 'on the grate',
  greased: 'on the greased grate',
  perforated: 'on a perforated liner',
  half: 'on half a sheet',
  foil: 'on foil',
};

/** The fryers of the household, and another one, which is set up here and cooked in at once. */
function WhichFryer({
  fryers,
  value,
  catalog,
  units,
  choose,
  close,
}: {
  fryers: Fryer[];
  value: string;
  catalog: Catalog;
  units: Units;
  choose: (id: string) => void;
  close: () => void;
}) {
  // Whoever has none yet but the one that it begins with says at once what it is.
  const [another, setAnother] = useState(fryers.length === 1 && fryers[0]?.version === 1);
  return (
    <>
      <Choice
        label="Fryer"
        quiet
        options={fryers.map((f) => ({ id: f.id, name: f.name, note: basketWords(f.basket, units) }))}
        value={value}
        onChange={choose}
        onMeant={close}
      />
      {another ? (
        <FryerFields
          catalog={catalog}
          label="Cook in this one"
          made={(fryer) => {
            choose(fryer.id);
            close();
          }}
        />
      ) : (
        <Button onPress={() => setAnother(true)}>Another fryer</Button>
      )}
    </>
  );
}

interface WhereProps {
  catalog: Catalog;
  plan: PlanInput;
  /** Pieces of all lots, as they come off the bench. */
  pieces: number;
  edit: EditDish;
  units: Units;
  fryers: Fryer[];
}

/** In which fryer, which other one helps, and how many at a time. */
export function Where({ plan, pieces, edit, catalog, units, fryers }: WhereProps) {
  const under = plan.lots[0]?.load.under;
  const fryer = fryers.find((f) => f.id === plan.fryerId);
  const second = fryers.find((f) => f.id === plan.secondFryerId);
  const option = (f: Fryer) => ({ id: f.id, name: f.name, note: basketWords(f.basket, units) });
  return (
    <>
      <OrderPart title="In which fryer" text={fryer?.name ?? 'fryer'}>
        {(close) => (
          <>
            <WhichFryer
              {...{ fryers, catalog, units, close }}
              value={plan.fryerId}
              choose={(fryerId) =>
                edit('fryer', (now) => ({
                  ...now,
                  fryerId,
                  secondFryerId: now.secondFryerId === fryerId ? undefined : now.secondFryerId,
                  program: {
                    ...now.program,
                    stages: now.program.stages.map((s) =>
                      s.fryerId === fryerId ? { ...s, fryerId: undefined, fryerName: undefined } : s,
                    ),
                  },
                }))
              }
            />
            <Choice
              label="Under the food"
              options={unders}
              value={under ?? 'grate'}
              onChange={(next) =>
                edit('under', (now) => ({
                  ...now,
                  lots: now.lots.map((lot) => setLoad(lot, { under: next === 'grate' ? undefined : next })),
                }))
              }
              onMeant={close}
            />
          </>
        )}
      </OrderPart>
      {under ? `, ${underSays[under]}` : ''}
      {second ? (
        <>
          {' '}
          and the{' '}
          <OrderPart title="Which other one helps" text={second.name}>
            {(close) => (
              <>
                <Choice
                  label="Second fryer"
                  quiet
                  options={fryers.filter((f) => f.id !== plan.fryerId).map(option)}
                  value={second.id}
                  onChange={(secondFryerId) => edit('second fryer', (now) => ({ ...now, secondFryerId }))}
                  onMeant={close}
                />
                <Button
                  onPress={() => {
                    edit('second fryer', (now) => ({ ...now, secondFryerId: undefined }));
                    close();
                  }}
                >
                  Only the first
                </Button>
              </>
            )}
          </OrderPart>
        </>
      ) : null}
      {plan.perBasket && plan.perBasket < pieces ? (
        <>
          ,{' '}
          <OrderPart title="How many at a time" text={`${plan.perBasket} at a time`}>
            {(close) => (
              <>
                <Stepper
                  label="In the first basket"
                  value={plan.perBasket ?? pieces}
                  min={1}
                  max={pieces}
                  onChange={(perBasket) => edit('per basket', (now) => ({ ...now, perBasket }))}
                />
                <Button
                  onPress={() => {
                    edit('per basket', (now) => ({ ...now, perBasket: undefined }));
                    close();
                  }}
                >
                  All at once
                </Button>
              </>
            )}
          </OrderPart>
        </>
      ) : null}
    </>
  );
}
