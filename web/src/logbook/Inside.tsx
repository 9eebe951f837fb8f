import type { CookEntry } from '../api/client';
import { useAhead } from '../api/live';
import { Curve } from '../cook/Curve';
import type { Units } from '../format/units';
import { Card, Quiet } from '../ui/layout';

interface Props {
  cook: { id: string; mark: string; ruleC: number; soft: boolean; minutes: number };
  units: Units;
}

/** What was read inside, over the band that was forecast. */
export function Inside({ cook, units }: Props) {
  const ahead = useAhead(cook.id, cook.mark).data;
  if (!ahead || ahead.readings.length === 0) return null;
  return (
    <Card aria-label="Inside, read over forecast">
      <h2>Inside</h2>
      <Curve
        {...{ ahead, units }}
        minute={cook.minutes}
        endMin={cook.minutes}
        ruleC={cook.ruleC}
        soft={cook.soft}
        height={190}
      />
      <Quiet>
        Wide and pale: as it was forecast. Narrow: by what was read and seen. Dots and the yellow line: what the
        thermometer read.
      </Quiet>
    </Card>
  );
}

export const insideOf = (c: CookEntry, minutes: number) => ({
  id: c.id,
  mark: c.mark ?? '',
  ruleC: c.forecast.rule.coreC,
  soft: c.forecast.rule.inside === 'soft',
  minutes,
});
