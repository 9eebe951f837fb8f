import styled from 'styled-components';
import { within } from '../api/limits';
import { at, type } from '../theme/tokens';
import { Card, Quiet } from '../ui/layout';
import { Stepper } from '../ui/Stepper';
import { PlateTable } from './PlateTable';
import type { StationProps } from './props';
import { Name } from './StationCard';
import type { BenchAnswer } from './useBench';

const Below = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  gap: 14px;
  align-items: start;
  ${at.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Sum = styled(Card)`
  display: grid;
  gap: 10px;
  align-content: start;
  [role='group'] {
    max-width: 240px;
  }
`;

const Totals = styled.dl`
  display: flex;
  flex-wrap: wrap;
  gap: 10px 26px;
  margin: 8px 0 0;
  dt {
    color: var(--quiet);
    font-size: 14px;
  }
  dd {
    margin: 0;
    font: 700 22px/1.2 ${type.loud};
  }
`;

interface Props extends Pick<StationProps, 'bench' | 'set' | 'catalog' | 'units'> {
  answer: BenchAnswer;
}

const kWh = (wh: number) => `${(wh / 1000).toFixed(2)} kWh`;

function Plate({ set, answer, catalog, units }: Props) {
  return (
    <Sum aria-label="On the plate">
      <Name>
        <h2>On the plate, by what is kept and not by what was mixed</h2>
      </Name>
      <Stepper
        label="Servings"
        value={answer.servings}
        {...within(catalog, 'bench.servings')}
        onChange={(servings) => set('servings', (b) => ({ ...b, servings }))}
      />
      <PlateTable plate={answer.plate} deep={answer.deepFried} units={units} />
    </Sum>
  );
}

/** All salt by where it is from, what is in the dish, what it takes and costs. */
function Totalled({ bench, set, answer, catalog, units }: Props) {
  const facts: [string, string][] = [
    ['Salt in the edible part', `${answer.saltPct.toFixed(1)} %`],
    ...Object.entries(answer.saltFrom)
      .filter(([, g]) => g > 0.05)
      .map(([from, g]): [string, string] => [`from the ${from}`, units.pinch(g)]),
    ['Energy', kWh(answer.energyWh)],
    ['in a pan of oil', kWh(answer.panWh)],
    ['in an oven', kWh(answer.ovenWh)],
  ];
  return (
    <Sum aria-label="Salt and energy">
      <Name>
        <h2>Salt, allergens, energy</h2>
      </Name>
      <Totals>
        {facts.map(([name, figure]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{figure}</dd>
          </div>
        ))}
      </Totals>
      <Stepper
        label="Meat or fish, price of 1 kg"
        value={bench.prices?.meatPerKg ?? 0}
        {...within(catalog, 'bench.prices.meatPerKg')}
        onChange={(meatPerKg) => set('meat price', (b) => ({ ...b, prices: { ...b.prices, meatPerKg } }))}
      />
      <Stepper
        label="Electricity, price of 1 kWh"
        value={bench.prices?.perKWh ?? 0}
        {...within(catalog, 'bench.prices.perKWh')}
        onChange={(perKWh) => set('electricity', (b) => ({ ...b, prices: { ...b.prices, perKWh } }))}
      />
      {answer.cost === undefined ? null : (
        <p>
          It costs <b>{answer.cost.toFixed(2)}</b> in all, <b>{answer.costEach?.toFixed(2)}</b> a serving, by your
          prices. Those of ingredients are in the pantry.
        </p>
      )}
      <Quiet>
        {answer.allergens.length > 0
          ? `Holds ${answer.allergens.join(', ')}.`
          : 'None of the usual allergens in food, coat or marinade.'}
      </Quiet>
    </Sum>
  );
}

/** What it comes to: the plate, the salt, the energy and the cost. */
export function Sums(props: Props) {
  return (
    <Below>
      <Plate {...props} />
      <Totalled {...props} />
    </Below>
  );
}
