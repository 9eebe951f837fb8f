import styled from 'styled-components';
import type { Problem } from '../api/client';
import { Button } from '../ui/Button';

const Box = styled.p`
  background: var(--lemon-wash);
  border-radius: 10px;
  padding: 10px 12px;
  margin-bottom: 10px;
  white-space: pre-line;
`;

interface Props {
  problem: Problem;
  /** How many at a time would go in, where that is the trouble. */
  several: number | undefined;
  split: () => void;
}

/** Why a dish cannot be simulated, and the way out that is known. */
export function Trouble({ problem, several, split }: Props) {
  return (
    <Box role="alert">
      {problem.errors?.map((e) => e.says).join('\n') ?? problem.detail ?? problem.title}
      {'\n'}The drawing shows what stood before.
      {several ? (
        <>
          {' '}
          <Button onPress={split}>Fry them {several} at a time</Button>
        </>
      ) : null}
    </Box>
  );
}
