import styled from 'styled-components';
import type { Schemas } from '../api/client';
import type { Units } from '../format/units';

type Figure = Schemas['Learnt']['figures'][number];

const Rows = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 10px;
  font-size: 14px;
`;

const Row = styled.li`
  display: grid;
  gap: 3px;
  > span {
    display: flex;
    justify-content: space-between;
    gap: 10px;
  }
  small {
    color: var(--quiet);
    font-size: 13px;
    font-variant-numeric: tabular-nums;
  }
`;

const Track = styled.span`
  position: relative;
  height: 16px;
  i {
    position: absolute;
    top: 0;
    bottom: 0;
    border-radius: 8px;
  }
`;

/** Each figure of a fryer: what it may be by what was said of it in grey, by what cooks have shown in yellow. */
export function HowSure({ figures, units }: { figures: Figure[]; units: Units }) {
  return (
    <Rows>
      {figures.map((f) => (
        <One key={f.id} figure={f} units={units} />
      ))}
    </Rows>
  );
}

const sign = (v: number) => (v > 0 ? '+' : v < 0 ? '−' : '');
const signed = (v: number) => `${sign(Math.round(v))}${Math.abs(v).toFixed(0)}`;

function One({ figure, units }: { figure: Figure; units: Units }) {
  const { before, now } = figure;
  const low = Math.min(before[0] ?? 0, now[0] ?? 0);
  const high = Math.max(before[2] ?? 0, now[2] ?? 0);
  const room = 0.06 * (high - low);
  const share = (v: number) => (100 * (v - low + room)) / (high - low + 2 * room);
  const bar = ([from = 0, , to = 0]: number[]) => ({ left: `${share(from)}%`, width: `${share(to) - share(from)}%` });
  const end = (v: number) =>
    figure.id === 'dial'
      ? `${sign(v)}${units.warmer.words(Math.abs(v))}`
      : figure.id === 'heatUp'
        ? `${v.toFixed(1)} min`
        : figure.id === 'ends'
          ? `${signed(v)} %`
          : `${v.toFixed(0)} %`;
  const [nowLow = 0, middle = 0, nowHigh = 0] = now;
  return (
    <Row>
      <span>
        <span>{figure.name}</span>
        <strong>{figure.says}</strong>
      </span>
      <Track
        role="img"
        aria-label={`${figure.name}: nine in ten between ${end(nowLow)} and ${end(nowHigh)}, by what was said of it between ${end(before[0] ?? 0)} and ${end(before[2] ?? 0)}`}
      >
        <i style={{ ...bar(before), background: 'var(--soft)' }} />
        <i style={{ ...bar(now), background: 'var(--lemon)', opacity: 0.85 }} />
        <i
          style={{ left: `${share(middle)}%`, width: 3, marginLeft: -1.5, background: 'var(--ink)', borderRadius: 0 }}
        />
      </Track>
      <small aria-hidden>
        {end(nowLow)} to {end(nowHigh)}
      </small>
    </Row>
  );
}
