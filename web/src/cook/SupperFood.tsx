import type { Catalog } from '../api/client';
import { limitOf } from '../api/limits';
import type { LiveBasket } from '../api/live';
import { clock, type Units } from '../format/units';
import { Quiet } from '../ui/layout';
import { Answers } from './Answers';
import { Half } from './Buttons';
import { InsideCard, NotShown, useInside } from './InsideCard';
import { ProbeReading } from './ProbeReading';
import type { Told } from './useTelling';
import { minuteOf, type Watched } from './watched';

interface OutProps {
  basket: LiveBasket;
  catalog: Catalog;
  units: Units;
  note: (c: number) => void;
}

/** What came out and is not shown safe: only a thermometer helps. */
export function Out({ basket, catalog, units, note }: OutProps) {
  return (
    <>
      <NotShown role="status">
        {basket.name}, out since {clock(basket.outAt ?? '')}: not shown safe. {basket.shown?.says}
      </NotShown>
      <ProbeReading
        limit={limitOf(catalog, 'event.probe')}
        units={units}
        from={basket.ruleC ?? 0}
        bone={basket.judged === 'bone'}
        plausibleC={undefined}
        note={note}
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
  const { insideC } = useInside(food, now);
  return (
    <>
      <InsideCard food={food} nowMs={now} units={units} />
      {overdue ? <Quiet role="status">{overdue}</Quiet> : null}
      {minuteOf(food, now) === null ? null : (
        <Answers {...{ food, catalog, units, probes, tell }} insideC={insideC ?? 20}>
          {isFirst ? null : <Half onPress={out}>Done, {food.name} out</Half>}
        </Answers>
      )}
    </>
  );
}
