import styled from 'styled-components';
import { useAhead } from '../api/live';
import { clock, type Units } from '../format/units';
import { between } from '../race/scale';
import { type } from '../theme/tokens';
import { aheadOf } from './aheadOf';
import { Curve } from './Curve';
import { minuteOf, type Watched } from './watched';

const Box = styled.section`
  background: var(--surface);
  border-radius: 16px;
  padding: 12px 18px 8px;
`;

const Figures = styled.div`
  display: flex;
  justify-content: space-between;
  gap: 12px;
  p {
    color: var(--quiet);
    font-size: 17px;
  }
  p:first-child {
    font: 700 44px/1.08 ${type.loud};
    color: var(--ink);
  }
  > div + div {
    flex: none;
    max-width: 55%;
    text-align: right;
    p:first-child {
      white-space: nowrap;
    }
  }
`;

/** What is missing until food is shown safe. */
export const NotShown = styled.p`
  color: var(--overdue);
  font-weight: 600;
`;

/** How warm it is inside by now, °C: by its run, which what was seen has moved. */
export function useInside(food: Watched, nowMs: number) {
  const ahead = useAhead(food.cookId, food.mark);
  const minute = minuteOf(food, nowMs);
  const mine = ahead.data && aheadOf(ahead.data, food.lot);
  const line = mine?.now.timeline;
  const insideC = minute !== null && line ? between(line, Math.max(0, minute), (m) => m.coreC) : null;
  return { ahead: mine, minute, insideC };
}

const STALE_MS = 90_000;

/** The inside, when it will surely be safe, and the curve with its band. */
export function InsideCard({ food, nowMs, units }: { food: Watched; nowMs: number; units: Units }) {
  const { ahead, minute, insideC } = useInside(food, nowMs);
  if (minute === null || insideC === null || !ahead) return null;
  const { foreseen, safeByMin, probe } = food;
  // Up to the next whole minute: a clock that drops seconds would say "safe" too soon.
  const clockAt = (m: number) =>
    clock(new Date(Math.ceil((Date.parse(food.loadedAt ?? '') + m * 60_000) / 60_000) * 60_000).toISOString());
  const left = safeByMin === null ? null : Math.ceil(safeByMin - minute);
  const word = food.inside;
  const by = clockAt(safeByMin ?? 0);
  const half = foreseen?.safeAtMin != null ? clockAt(foreseen.safeAtMin) : by;
  const safeWords = half === by ? `${word} by ${by}` : `${word} at ${half}, by ${by}`;
  const fresh = probe && nowMs - Date.parse(probe.at) < STALE_MS;
  return (
    <Box aria-label={`Inside: ${food.name}`}>
      <Figures>
        <div>
          <p>{units.reached(insideC)}</p>
          <p>
            {food.goesInMin === null
              ? `inside now, by ${foreseen ? 'what you saw' : 'estimate'}`
              : `not in yet; goes in at minute ${Math.round(food.goesInMin)}`}
            {probe ? (fresh ? `; it reads ${units.reached(probe.c)}` : '; no reading lately') : ''}
          </p>
        </div>
        <div>
          <p>{left === null ? '?' : left > 0 ? `+${left} min` : word}</p>
          <p>
            {left === null
              ? 'not within this time'
              : left > 0
                ? safeWords
                : food.soft
                  ? 'by estimate'
                  : 'by estimate; the thermometer decides'}
          </p>
        </div>
      </Figures>
      {food.shown?.says && food.foreseen ? <NotShown role="status">{food.shown.says}</NotShown> : null}
      <Curve {...{ ahead, minute, units }} endMin={food.endMin} ruleC={food.ruleC} inside={food.inside} />
    </Box>
  );
}
