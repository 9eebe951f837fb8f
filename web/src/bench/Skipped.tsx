import { useQuery } from '@tanstack/react-query';
import { useId } from 'react';
import styled from 'styled-components';
import { ask, client, type Simulation, type SimulationRequest } from '../api/client';
import { Strip } from '../race/Strip';
import { Quiet } from '../ui/layout';

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
  /** Whether anyone looks. */
  shown: boolean;
}

const crisp = (a: Simulation) =>
  `${a.crispAtMin == null ? 'not crisp within this program' : `crisp at ${Math.round(a.crispAtMin)} min`}, juice ${Math.floor(a.end.juiceKeptPct)} %`;

/** What the faces would look like if a step were skipped, under what they will; asked for when it is looked at. */
export function Skipped({ withIt, without, shown }: Props) {
  const id = useId().replaceAll(':', '');
  const pair = useQuery({
    queryKey: ['skipped', withIt, without],
    enabled: shown,
    queryFn: ({ signal }) => {
      const run = (body: SimulationRequest) =>
        ask(client.POST('/simulations', { params: { query: { chance: false } }, body, signal }));
      return Promise.all([run(withIt), run(without)]);
    },
  });
  if (pair.isError) return <Quiet role="alert">{pair.error.message}</Quiet>;
  if (!pair.data) return <Quiet role="status">{shown ? 'Trying it without…' : ''}</Quiet>;
  const [a, b] = pair.data;
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
