import type { CookEntry } from '../api/client';
import { useAhead, type LiveBasket } from '../api/live';
import { aheadOf } from '../cook/aheadOf';
import { Curve } from '../cook/Curve';
import { judgedBy } from '../cook/watched';
import type { Units } from '../format/units';
import { Card, Quiet } from '../ui/layout';

/** A lot by its rule, with its name where there are several. */
interface Lot {
  name: string;
  ruleC: number;
  inside: string;
}

interface Props {
  cook: { id: string; mark: string; minutes: number; lots: Lot[] };
  units: Units;
}

/** What was read inside, over the band that was forecast, of each lot that was read. */
export function Inside({ cook, units }: Props) {
  const all = useAhead(cook.id, cook.mark).data;
  if (!all || all.readings.length === 0) return null;
  const read = cook.lots
    .map((lot, k) => ({ lot, ahead: aheadOf(all, cook.lots.length > 1 ? k : null) }))
    .filter(({ ahead }) => ahead.readings.length > 0);
  return (
    <Card aria-label="Inside, read over forecast">
      <h2>Inside</h2>
      {read.map(({ lot, ahead }) => (
        <figure key={lot.name} style={{ margin: 0 }}>
          {cook.lots.length > 1 ? <figcaption>The {lot.name}</figcaption> : null}
          <Curve
            {...{ ahead, units }}
            minute={cook.minutes}
            endMin={cook.minutes}
            ruleC={lot.ruleC}
            inside={lot.inside}
            height={190}
          />
        </figure>
      ))}
      <Quiet>
        Wide and pale: as it was forecast. Narrow: by what was read and seen. Dots and the yellow line: what the
        thermometer read.
      </Quiet>
    </Card>
  );
}

export function insideOf(c: CookEntry, minutes: number): Props['cook'] {
  const several = c.forecast.lots ?? [];
  const of = several.length > 1 ? several : [{ ...c.forecast, name: c.name }];
  return {
    id: c.id,
    mark: c.mark ?? '',
    minutes,
    lots: of.map(({ name, rule }) => ({ name, ruleC: rule.coreC, inside: rule.inside })),
  };
}

export const insideOfBasket = (b: LiveBasket, minutes: number): Props['cook'] => ({
  id: b.cookId,
  mark: b.mark,
  minutes,
  lots: (b.lots && b.lots.length > 1 ? b.lots : [b]).map(({ name, ruleC, judged }) => ({
    name,
    ruleC: ruleC ?? b.ruleC ?? 0,
    inside: judgedBy(judged).inside,
  })),
});
