import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { useWidth } from '../race/useWidth';
import { Button } from '../ui/Button';
import { Fold } from '../ui/Fold';
import { Card, Quiet } from '../ui/layout';
import type { SauceAnswer } from './usePan';

type Fate = Schemas['Fate'];

const Box = styled(Card)`
  display: grid;
  gap: 10px;
  align-content: start;
  h2 {
    font-size: 18px;
  }
`;

const Frame = styled.div`
  position: relative;
  min-width: 0;
  svg {
    display: block;
    overflow: visible;
  }
  text {
    font-size: 13px;
    fill: var(--ink);
    paint-order: stroke;
    stroke: var(--surface);
    stroke-width: 4px;
  }
`;

const Rows = styled.table`
  border-collapse: collapse;
  width: 100%;
  font-size: 15px;
  th {
    text-align: start;
    font-weight: 500;
    padding: 5px 8px 5px 0;
  }
  thead th {
    color: var(--quiet);
    font-size: 14px;
  }
  td,
  thead th + th {
    text-align: right;
    font-weight: 600;
    padding: 5px 0 5px 10px;
  }
  tbody tr {
    border-top: 1px solid var(--line);
  }
  tr[data-best] th {
    font-weight: 700;
  }
`;

const dashes: Record<string, string> = {
  now: '',
  cool: '8 4',
  table: '2 4',
  up: '10 3 2 3',
  beside: '1 3',
  ladle: '',
  pour: '8 4',
  under: '10 3 2 3',
};

/** Crust over the minutes after it is out, by how the sauce goes on, and the way that is advised. */
export function Fates({ answer, doing, take }: { answer: SauceAnswer; doing: string; take: (way: string) => void }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { fates, best, advice } = answer;
  const last = fates[0]?.line.at(-1)?.minute ?? 20;
  const height = 190;
  const left = 34;
  const right = Math.max(width, 240) - 12;
  const x = scaleLinear([0, last], [left, right]);
  const y = scaleLinear([0, 100], [height - 26, 10]);
  const path = (f: Fate) =>
    line<Fate['line'][number]>(
      (p) => x(p.minute),
      (p) => y(p.crust),
    )(f.line) ?? '';
  const dry = fates.find((f) => f.way === 'up' || f.way === 'under');
  const at = (f: Fate, m: number) => Math.floor(f.line[m]?.crust ?? 0);
  // A column in which all are alike tells nothing.
  const outs = new Set(fates.map((f) => at(f, 0))).size > 1;
  const halves = fates.some((f) => f.halfMin !== null);
  return (
    <Box aria-label="What it does to the crust">
      <h2>What it does to the crust</h2>
      <p>{advice}</p>
      <Frame ref={ref}>
        {width > 0 ? (
          <svg width={width} height={height} aria-hidden>
            {[0, 100].map((c) => (
              <g key={c}>
                <line x1={left} x2={right} y1={y(c)} y2={y(c)} stroke="var(--line)" />
                <text x={left - 7} y={y(c) + 4} textAnchor="end" style={{ fill: 'var(--quiet)' }}>
                  {c}
                </text>
              </g>
            ))}
            {[0, 20].map((m) => (
              <text key={m} x={x(m)} y={height - 6} textAnchor="middle" style={{ fill: 'var(--quiet)' }}>
                {m === 0 ? 'out' : m}
              </text>
            ))}
            {dry ? (
              <path
                d={
                  line<Fate['line'][number]>(
                    (p) => x(p.minute),
                    (p) => y(p.better),
                  )(dry.line) ?? ''
                }
                fill="none"
                stroke="var(--quiet)"
                strokeWidth={1.4}
                strokeDasharray="1 5"
              />
            ) : null}
            {fates.map((f) => (
              <path
                key={f.way}
                d={path(f)}
                fill="none"
                stroke={f.way === best ? 'var(--sauce)' : 'var(--ink)'}
                strokeWidth={f.way === best ? 3.4 : 1.7}
                strokeDasharray={dashes[f.way]}
                opacity={f.way === best ? 1 : 0.75}
              />
            ))}
          </svg>
        ) : null}
      </Frame>
      <Rows>
        <thead>
          <tr>
            <th scope="col">Of 100</th>
            {outs ? <th scope="col">out</th> : null}
            <th scope="col">12 min</th>
            {halves ? <th scope="col">half gone</th> : null}
          </tr>
        </thead>
        <tbody>
          {fates.map((f) => (
            <tr key={f.way} data-best={f.way === best || undefined}>
              <th scope="row">
                <svg width="26" height="8" aria-hidden style={{ marginRight: 8 }}>
                  <line
                    x1="0"
                    x2="26"
                    y1="4"
                    y2="4"
                    stroke={f.way === best ? 'var(--sauce)' : 'var(--ink)'}
                    strokeWidth={f.way === best ? 3.4 : 1.7}
                    strokeDasharray={dashes[f.way]}
                  />
                </svg>
                {f.name}
                {f.way === best ? <span className="quietly"> (advised)</span> : null}
              </th>
              {outs ? <td>{at(f, 0)}</td> : null}
              <td>
                {at(f, 12)}
                {f.way === 'up' || f.way === 'pour' || f.way === 'under'
                  ? ` / ${Math.floor(f.line[12]?.better ?? 0)}`
                  : ''}
              </td>
              {halves ? <td>{f.halfMin === null ? 'later' : `${Math.round(f.halfMin)} min`}</td> : null}
            </tr>
          ))}
        </tbody>
      </Rows>
      <Fold>
        <summary>More</summary>
        <Quiet>
          The softer face; where one stays dry, that after the stroke. On a rack in the room.{' '}
          {fates.map((f) => `${f.name}: ${at(f, 0)} out, ${at(f, 5)} after 5 min`).join('; ')}.
        </Quiet>
      </Fold>
      {best === doing ? null : (
        <Button onPress={() => take(best)}>Do it {fates.find((f) => f.way === best)?.name}</Button>
      )}
    </Box>
  );
}
