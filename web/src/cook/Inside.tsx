import styled from 'styled-components';
import type { Cook } from '../api/client';
import { clock, type Units } from '../format/units';
import { type } from '../theme/tokens';

const Box = styled.div`
  background: var(--surface);
  border-radius: 16px;
  padding: 14px 18px;
  p:first-child {
    font: 700 48px/1.05 ${type.loud};
  }
  p + p {
    color: var(--quiet);
    font-size: 17px;
    margin-top: 4px;
  }
`;

interface Props {
  cook: Cook;
  /** Since the food went in; null before. */
  minute: number | null;
  insideC: number | null;
  units: Units;
}

/** When it will surely be safe, or soft. */
function safety({ cook, minute }: Props): string {
  const { forecast } = cook;
  const soft = forecast.rule.inside === 'soft';
  const safe = cook.foreseen ? cook.foreseen.safeByMin : (forecast.chance?.safeByMin ?? forecast.safeAtMin);
  if (safe === null && cook.foreseen) return cook.foreseen.says;
  if (safe == null) return forecast.verdict.says;
  const left = safe - (minute ?? 0);
  if (left > 0) {
    const min = Math.max(1, Math.ceil(left));
    return soft
      ? `95 loads in 100 are soft inside in about ${min} min.`
      : `95 loads in 100 are safe in about ${min} min; probe the thickest one.`;
  }
  return soft ? 'Soft by estimate.' : 'Safe by estimate. The thermometer decides.';
}

/** The inside as it is now, or what to expect before the food is in. */
export function Inside(props: Props) {
  const { cook, insideC, units } = props;
  const { verdict } = cook.forecast;
  const probe = cook.events.findLast((e) => e.kind === 'probe');
  const { foreseen } = cook;
  if (insideC === null)
    return (
      <Box>
        <p>
          {verdict.figure} {verdict.unit}
        </p>
        <p>
          {verdict.ready ? 'Once the food is in. ' : ''}
          {verdict.says} {verdict.first}
        </p>
      </Box>
    );
  return (
    <Box>
      <p>{units.temperature(insideC)}</p>
      <p>
        inside now, by {foreseen ? 'what you saw' : 'estimate'}. {safety(props)}
        {probe?.value != null ? ` You read ${units.temperature(probe.value)} at ${clock(probe.at)}.` : ''}
      </p>
    </Box>
  );
}
