import { useId, useState } from 'react';
import styled from 'styled-components';
import { ask, client, type Simulation, type SimulationRequest } from '../api/client';
import { Strip } from '../race/Strip';
import { Button } from '../ui/Button';
import { Quiet } from '../ui/layout';
import { complain } from '../ui/toast';

const Box = styled.div`
  display: grid;
  gap: 6px;
  svg {
    display: block;
    width: 100%;
    border-radius: 7px;
  }
`;

const Small = styled(Quiet)`
  font-size: 13.5px;
`;

interface Props {
  withIt: SimulationRequest;
  without: SimulationRequest;
}

const crisp = (a: Simulation) =>
  `${a.crispAtMin == null ? 'not crisp within this program' : `crisp at ${Math.round(a.crispAtMin)} min`}, juice ${Math.floor(a.end.juiceKeptPct)} %`;

/** What the faces would look like if a step were skipped, under what they will. */
export function Skipped({ withIt, without }: Props) {
  const id = useId().replaceAll(':', '');
  const [pair, setPair] = useState<{ of: string; answers: [Simulation, Simulation] } | null>(null);
  const of = JSON.stringify([withIt, without]);
  const ask2 = async () => {
    try {
      const run = (body: SimulationRequest) =>
        ask(client.POST('/simulations', { params: { query: { chance: false } }, body }));
      setPair({ of, answers: [await run(withIt), await run(without)] });
    } catch (cause) {
      complain(cause);
    }
  };
  if (!pair || pair.of !== of) return <Button onPress={() => void ask2()}>What if I skip this?</Button>;
  const [a, b] = pair.answers;
  const end = Math.max(a.timeline.at(-1)?.minute ?? 1, b.timeline.at(-1)?.minute ?? 1);
  const x = (m: number) => (m / end) * 300;
  return (
    <Box role="status">
      {[a, b].map((answer, k) => (
        <div key={k}>
          <Small>{k === 0 ? `With it: ${crisp(answer)}` : `Without it: ${crisp(answer)}`}</Small>
          <svg viewBox="0 0 300 16" height={16} preserveAspectRatio="none" aria-hidden>
            <Strip id={`${id}${k}`} timeline={answer.timeline} face={0} x={x} y={0} height={16} square />
          </svg>
        </div>
      ))}
    </Box>
  );
}
