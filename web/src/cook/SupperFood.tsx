import type { Catalog } from '../api/client';
import { limitOf } from '../api/limits';
import type { LiveBasket } from '../api/live';
import { clock, type Units } from '../format/units';
import { Quiet } from '../ui/layout';
import { Answers } from './Answers';
import { Half } from './Buttons';
import { InsideCard, NotShown, useInside } from './InsideCard';
import { ProbeReading } from './ProbeReading';
import { useLot } from './useLot';
import type { Told } from './useTelling';
import { minuteOf, ofBasket, type Watched } from './watched';

interface OutProps {
  basket: LiveBasket;
  catalog: Catalog;
  units: Units;
  tell: (what: string, event: Told) => void;
}

/** What came out and is not shown safe: only a thermometer helps. */
export function Out({ basket, catalog, units, tell }: OutProps) {
  const { lot, tellOf, picker } = useLot(ofBasket(basket, 0), tell);
  return (
    <>
      <NotShown role="status">
        {basket.name}, out since {clock(basket.outAt ?? '')}: not shown safe. {basket.shown?.says}
      </NotShown>
      {picker}
      <ProbeReading
        limit={limitOf(catalog, 'event.probe')}
        units={units}
        from={lot.ruleC}
        bone={lot.bone}
        both={lot.both}
        plausibleC={undefined}
        note={(c) => tellOf(`read ${units.temperature(c)}`, { kind: 'probe', value: c })}
      />
    </>
  );
}

interface FryingProps {
  food: Watched;
  catalog: Catalog;
  units: Units;
  now: number;
  overdue: string | undefined;
  probes: Parameters<typeof Answers>[0]['probes'];
  tell: (what: string, event: Told) => void;
  out: () => void;
  isFirst: boolean;
}

/** One basket that is in: its inside, and what can be said of it. */
export function Frying({ food, catalog, units, now, overdue, probes, tell, out, isFirst }: FryingProps) {
  const { lot, tellOf, picker } = useLot(food, tell);
  const { insideC } = useInside(lot, now);
  return (
    <>
      {picker}
      <InsideCard food={lot} nowMs={now} units={units} />
      {overdue ? <Quiet role="status">{overdue}</Quiet> : null}
      {minuteOf(food, now) === null ? null : (
        <Answers {...{ catalog, units, probes }} food={lot} tell={tellOf} insideC={insideC ?? 20}>
          {isFirst ? null : <Half onPress={out}>Done, {food.name} out</Half>}
        </Answers>
      )}
    </>
  );
}
