import styled from 'styled-components';
import type { LiveEvening } from '../api/live';
import type { Letter } from '../api/outbox';
import { numberWord } from '../format/numbers';
import { Quiet } from '../ui/layout';
import { Half } from './Buttons';

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  margin-top: 18px;
`;

/** For how many the table is, to be changed while it goes on. */
export function Come({
  evening,
  waiting,
  come,
}: {
  evening: LiveEvening;
  waiting: Letter[];
  come: (n: number) => void;
}) {
  const { people, stays } = evening;
  if (!people) return null;
  const waits = waiting.some((l) => (l.body as { kind: string }).kind === 'people');
  return (
    <Line role="group" aria-label="How many come">
      <span>For {numberWord(people)}.</span>
      <Half isDisabled={waits || people <= 1} onPress={() => come(people - 1)}>
        One fewer
      </Half>
      <Half isDisabled={waits || people >= 40} onPress={() => come(people + 1)}>
        One more
      </Half>
      {stays ? <Quiet role="status">{stays}</Quiet> : null}
    </Line>
  );
}
