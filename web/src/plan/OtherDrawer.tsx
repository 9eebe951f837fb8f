import { Link } from 'react-router';
import styled from 'styled-components';
import type { Catalog, Schemas } from '../api/client';
import { foodWords } from '../dish/foodWords';
import type { Units } from '../format/units';
import { besideOf, inBasket } from '../race/lots';
import { Race } from '../race/Race';
import { type } from '../theme/tokens';
import { Card } from '../ui/layout';
import { edgesOf } from './edges';
import { totalOf, turnsOf } from './program';
import { otherOf, sideOf, type Pair } from './beside';

const Frame = styled(Card)`
  padding: 10px 12px 12px;
  min-width: 0;
`;

/** Which drawer a race is of. */
export const Which = styled.h2`
  font: 700 17px/1.3 ${type.loud};
  margin: 2px 6px 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: baseline;
  small {
    font: 500 15px/1.4 ${type.plain};
    color: var(--quiet);
  }
  a {
    font: 600 15px/1.4 ${type.plain};
    min-height: 44px;
    display: inline-flex;
    align-items: center;
  }
`;

interface Props {
  pair: Pair;
  beside: Schemas['ChamberAnswer'];
  otherAxis: { from: number; end: number };
  catalog: Catalog;
  units: Units;
  pending: boolean;
  blank: boolean;
}

/** The race of the dish in the other drawer, on the same time as that of the page. */
export function OtherDrawer({ pair, beside: answer, otherAxis: axis, catalog, units, pending, blank }: Props) {
  const plan = pair.other;
  const drawer = otherOf(pair.mine);
  const lots = answer.lots ?? [];
  const first = lots[0];
  const several = lots.length > 1 && first;
  const cut = catalog.cuts.find((c) => c.id === (several ? first.cut : plan.lots[0]?.load.cut));
  return (
    <Frame aria-label={`The ${drawer} drawer`}>
      <Which>
        <span>
          {sideOf(drawer)} drawer: {plan.name}
        </span>
        <small>{foodWords(plan, catalog)}</small>
        <Link to={`/plan/${plan.id}`}>Change it</Link>
      </Which>
      <Race
        answer={several ? inBasket(first, totalOf(plan.program)) : answer}
        stages={plan.program.stages}
        turns={turnsOf(plan.program)}
        faces={cut?.faces ?? []}
        units={units}
        pending={pending}
        blank={blank}
        axis={axis}
        beside={several ? besideOf(lots, 0, totalOf(plan.program)) : undefined}
        edges={
          several
            ? edgesOf(
                plan,
                lots.map((l) => l.name),
              )
            : []
        }
      />
    </Frame>
  );
}
