import { Fold } from '../ui/Fold';
import styled from 'styled-components';
import { within } from '../api/limits';
import { at, type } from '../theme/tokens';
import { Card, Quiet } from '../ui/layout';
import { Stepper } from '../ui/Stepper';
import { PlateTable } from './PlateTable';
import type { StationProps } from './props';
import type { BenchAnswer } from './useBench';

const Sum = styled(Card)`
  padding: 16px 18px;
`;

const Totals = styled.dl`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 10px 26px;
  margin: 0;
  dt {
    font: 700 22px/1.25 ${type.loud};
  }
  dd {
    margin: 0;
    color: var(--quiet);
    font-size: 15px;
  }
`;

const More = styled(Fold)`
  margin-top: 10px;
  summary {
    font-weight: 600;
  }
  > div {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 300px;
    gap: 10px 28px;
    align-items: start;
    ${at.narrow} {
      grid-template-columns: minmax(0, 1fr);
    }
  }
`;

const Fields = styled.div`
  display: grid;
  gap: 10px;
`;

interface Props extends Pick<StationProps, 'bench' | 'set' | 'catalog' | 'units'> {
  answer: BenchAnswer;
}

const kWh = (wh: number) => `${(wh / 1000).toFixed(2)} kWh`;

/** What it comes to: the plate, the salt, the energy and the cost; each figure, and what is paid, on demand. */
export function Sums({ bench, set, answer, catalog, units }: Props) {
  const { plate, deepFried: deep, servings } = answer;
  const from = Object.entries(answer.saltFrom)
    .filter(([, g]) => g > 0.05)
    .map(([of, g]) => `${units.pinch(g)} from the ${of}`);
  return (
    <Sum aria-label="On the plate">
      <Totals>
        <div>
          <dt>On the plate</dt>
          <dd>
            a serving of {servings}; deep-fried {Math.round(deep.kcal)} kcal
          </dd>
        </div>
        <div>
          <dt>{Math.round(plate.kcal)} kcal</dt>
          <dd>
            {Math.round(plate.fatG)} g fat, {Math.round(plate.carbG)} g starch and sugar
          </dd>
        </div>
        <div>
          <dt>{answer.saltPct.toFixed(1)} % salt</dt>
          <dd>of what is eaten</dd>
        </div>
        <div>
          <dt>{answer.allergens.length > 0 ? answer.allergens.join(', ') : 'No allergens'}</dt>
          <dd>{answer.allergens.length > 0 ? 'to tell those who eat' : 'of the usual ones'}</dd>
        </div>
        <div>
          <dt>{kWh(answer.energyWh)}</dt>
          <dd>an oven {kWh(answer.ovenWh)}</dd>
        </div>
        {answer.cost === undefined ? null : (
          <div>
            <dt>{answer.cost.toFixed(2)}</dt>
            <dd>{`It costs ${answer.cost.toFixed(2)} in all, ${answer.costEach?.toFixed(2) ?? ''} a serving`}</dd>
          </div>
        )}
      </Totals>
      <More>
        <summary>Servings, all figures, prices</summary>
        <div>
          <div>
            <PlateTable plate={plate} deep={deep} units={units} />
            <Quiet>
              By what is kept. {from.length > 0 ? `Salt: ${from.join(', ')}. ` : ''}A pan of oil would take{' '}
              {kWh(answer.panWh)}.
            </Quiet>
          </div>
          <Fields>
            <Stepper
              label="Servings"
              value={servings}
              {...within(catalog, 'bench.servings')}
              onChange={(n) => set('servings', (b) => ({ ...b, servings: n }))}
            />
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
            <Quiet>Prices of ingredients are in the pantry.</Quiet>
          </Fields>
        </div>
      </More>
    </Sum>
  );
}
