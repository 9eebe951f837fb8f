import { line } from 'd3-shape';
import { X } from 'lucide-react';
import { useId } from 'react';
import styled from 'styled-components';
import type { Simulation } from '../api/client';
import { minutes, type Units } from '../format/units';
import { minuteTicks, raceScale } from '../race/scale';
import { AirAxis } from '../race/AirAxis';
import { Strip } from '../race/Strip';
import { useWidth } from '../race/useWidth';
import { at } from '../theme/tokens';
import { IconButton } from '../ui/Button';
import { Card } from '../ui/layout';
import type { Proposal } from './useWays';

const Box = styled(Card)`
  margin-top: 14px;
  padding: 14px 16px;
`;

const Head = styled.div`
  display: flex;
  align-items: center;
  gap: 12px;
  h2 {
    flex: 1;
    font-size: 19px;
  }
`;

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 350px;
  gap: 18px;
  ${at.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
  svg {
    display: block;
    overflow: visible;
  }
  text {
    font-size: 13.5px;
    fill: var(--ink);
  }
`;

const Table = styled.table`
  border-collapse: collapse;
  width: 100%;
  align-self: start;
  font-size: 15px;
  th {
    text-align: start;
    font-weight: 500;
    color: var(--quiet);
    padding: 5px 0;
  }
  thead th {
    color: var(--ink);
    font-weight: 600;
    vertical-align: bottom;
  }
  td,
  thead th + th {
    text-align: right;
    padding-left: 12px;
  }
  td {
    font-weight: 600;
    white-space: nowrap;
  }
  tbody tr {
    border-top: 1px solid var(--line);
  }
`;

interface Props {
  pair: [Proposal, Proposal];
  rule: Simulation['rule'];
  faces: string[];
  units: Units;
  close: () => void;
}

type Moment = Proposal['timeline'][number];

/** Two ways over one another: what is solid is the first, what is dashed the second. */
export function Compare({ pair, rule, faces, units, close }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const id = useId().replaceAll(':', '');
  const end = Math.max(...pair.map((p) => p.minutes));
  const s = raceScale(Math.max(width, 280), end, 215, width < 560);
  const { x, y } = s;
  const draw = (pick: (m: Moment) => number) =>
    line<Moment>(
      (m) => x(m.minute),
      (m) => y(Math.min(pick(m), 215)),
    );
  const strips = s.plot.bottom + 26;
  const axis = strips + 4 * 26 + 10;
  const rows: [string, (p: Proposal) => string][] = [
    ['Minutes', (p) => minutes(p.minutes)],
    ['Safe by, 95 in 100', (p) => (p.safeByMin == null ? 'not in time' : `${Math.ceil(p.safeByMin)} min`)],
    ['Crust, softer side', (p) => `${Math.floor(p.crust)}`],
    ['Juice kept', (p) => `${Math.floor(p.juicePct)} %`],
    ['Turns', (p) => `${p.turns}`],
    ['Energy', (p) => `${(p.energyWh / 1000).toFixed(2)} kWh`],
  ];
  return (
    <Box aria-label="Two ways compared">
      <Head>
        <h2>
          {pair[0].name} beside {pair[1].name.toLowerCase()}
        </h2>
        <IconButton label="Close the comparison" onPress={close}>
          <X size={18} aria-hidden />
        </IconButton>
      </Head>
      <Columns>
        <div ref={ref}>
          {width > 0 ? (
            <svg
              width={width}
              height={axis + 30}
              role="img"
              aria-label={`Air, core and faces of ${pair[0].name} and ${pair[1].name} over ${Math.round(end)} minutes`}
            >
              <AirAxis units={units} left={s.left} right={s.right} y={y} />
              <line
                x1={s.left}
                x2={s.right}
                y1={y(rule.coreC)}
                y2={y(rule.coreC)}
                stroke="var(--safe)"
                strokeWidth={1.5}
              />
              {pair.map((p, k) => (
                <g key={p.way} fill="none" strokeDasharray={k === 0 ? undefined : '7 5'}>
                  <path d={draw((m) => m.airC)(p.timeline) ?? ''} stroke="var(--heat)" strokeWidth={2} />
                  <path d={draw((m) => m.coreC)(p.timeline) ?? ''} stroke="var(--core)" strokeWidth={3} />
                </g>
              ))}
              {pair.flatMap((p, k) =>
                faces.map((name, f) => (
                  <g key={`${p.way}${name}`}>
                    <Strip
                      id={`${id}${k}${f}`}
                      timeline={p.timeline}
                      face={f === 0 ? 0 : 1}
                      x={x}
                      y={strips + (2 * f + k) * 26}
                      height={20}
                    />
                    <text x={x(p.minutes) + 6} y={strips + (2 * f + k) * 26 + 15} style={{ fontSize: 12 }}>
                      {k + 1}
                    </text>
                  </g>
                )),
              )}
              {faces.map((name, f) => (
                <text
                  key={name}
                  x={s.left + 6}
                  y={strips + 2 * f * 26 + 15}
                  style={{ fontSize: 12.5, fontWeight: 600, fill: 'var(--on-lemon)' }}
                >
                  {name}
                </text>
              ))}
              <line x1={s.left} x2={s.right} y1={axis} y2={axis} stroke="var(--ink)" />
              {minuteTicks(end, s.right - s.left).map((m) => (
                <text key={m} x={x(m)} y={axis + 19} textAnchor="middle" style={{ fill: 'var(--quiet)' }}>
                  {m}
                </text>
              ))}
            </svg>
          ) : null}
        </div>
        <Table>
          <thead>
            <tr>
              <th scope="col">
                <span className="quietly">Figure</span>
              </th>
              <th scope="col">1 ─ {pair[0].name}</th>
              <th scope="col">2 ┄ {pair[1].name}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(([name, say]) => (
              <tr key={name}>
                <th scope="row">{name}</th>
                <td>{say(pair[0])}</td>
                <td>{say(pair[1])}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </Columns>
    </Box>
  );
}
