import styled from 'styled-components';
import type { CookEntry } from '../api/client';
import { useLearnt } from '../api/queries';
import { LeaveOut } from '../fryers/Learnt';
import { Card, Quiet } from '../ui/layout';

const Box = styled(Card)`
  display: grid;
  gap: 6px;
  justify-items: start;
  h2 {
    font-size: 17px;
  }
`;

/** What a cook taught of its fryer, in a line; nothing where it says nothing. */
export function Taught({ cook }: { cook: CookEntry }) {
  const learnt = useLearnt(cook.fryer.id.replace(/\/right$/, ''));
  const taught = (learnt.data ?? []).flatMap((of) => of.taught).find((t) => t.cookId === cook.id);
  if (!taught) return null;
  return (
    <Box aria-label="What it taught">
      <h2>What it taught</h2>
      <p>
        {taught.saw[0]?.toUpperCase()}
        {taught.saw.slice(1)}. {taught.leftOut ? 'It is' : 'That moved'} <strong>{taught.moved}</strong>.
      </p>
      {taught.odd ? (
        <Quiet>It does not fit the other evenings: a slip, other pieces, or something that changed.</Quiet>
      ) : null}
      <LeaveOut id={cook.id} name={taught.name} leftOut={taught.leftOut} />
    </Box>
  );
}
