import styled from 'styled-components';
import type { CookEntry } from '../api/client';
import { clock, minutes, type Units } from '../format/units';
import { between } from '../race/scale';
import { Card } from '../ui/layout';
import { Table } from './parts';

const Told = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 5px;
  li {
    display: grid;
    grid-template-columns: 78px 1fr;
  }
  b {
    font-weight: 600;
  }
  span::first-letter {
    text-transform: uppercase;
  }
`;

const by = (m: number | null | undefined) => (m == null ? 'not in time' : `${Math.ceil(m)} min`);

/** When its food went in, ms; null where it never did. */
export const loadedAt = (cook: CookEntry) => (cook.loadedAt ? Date.parse(cook.loadedAt) : null);

/** How long it was in, minutes; null where it is not over. */
export function minutesIn(cook: CookEntry): number | null {
  const loaded = loadedAt(cook);
  return loaded && cook.finishedAt ? (Date.parse(cook.finishedAt) - loaded) / 60_000 : null;
}

/** What was planned beside what happened. */
export function PlannedAndHappened({ cook, units }: { cook: CookEntry; units: Units }) {
  const actual = minutesIn(cook);
  const planned = cook.plan.program.stages.reduce((s, st) => s + st.minutes, 0);
  const rows: [string, string, string][] = [
    ['In the basket', `${minutes(planned)} min`, actual === null ? '–' : `${minutes(actual)} min`],
    ['Safe by, 95 loads in 100', by(cook.planned.chance?.safeByMin), by(cook.forecast.chance?.safeByMin)],
    ['Crisp at', by(cook.planned.crispAtMin), by(cook.forecast.crispAtMin)],
    [
      'Inside at the end, estimate',
      units.temperature(cook.planned.end.coreC),
      units.temperature(cook.forecast.end.coreC),
    ],
    ['Crust at the end, of 100', `${Math.floor(cook.planned.end.crust)}`, `${Math.floor(cook.forecast.end.crust)}`],
    [
      'Juice kept, estimate',
      `${Math.floor(cook.planned.end.juiceKeptPct)} %`,
      `${Math.floor(cook.forecast.end.juiceKeptPct)} %`,
    ],
  ];
  return (
    <Card>
      <h2>Planned and happened</h2>
      <Table>
        <thead>
          <tr>
            <th scope="col">
              <span className="quietly">What</span>
            </th>
            <th scope="col">planned</th>
            <th scope="col">happened</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([what, plan, real]) => (
            <tr key={what}>
              <th scope="row">{what}</th>
              <td>{plan}</td>
              <td>{real}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </Card>
  );
}

/** What was said of it, minute by minute. */
export function WhatWasSaid({ cook, units }: { cook: CookEntry; units: Units }) {
  const loaded = loadedAt(cook);
  const minuteOf = (iso: string) => (loaded ? (Date.parse(iso) - loaded) / 60000 : 0);
  const tell = (e: CookEntry['events'][number]) => {
    const m = minuteOf(e.at);
    const read =
      e.kind === 'probe'
        ? `; the estimate was ${units.temperature(between(cook.forecast.timeline, m, (x) => x.coreC))}`
        : '';
    return `${e.says}${read}`;
  };
  return (
    <Card>
      <h2>What was said</h2>
      <Told>
        {cook.events.map((e, i) => (
          <li key={i}>
            <b>{loaded ? `${minutes(minuteOf(e.at))} min` : clock(e.at)}</b>
            <span>{tell(e)}</span>
          </li>
        ))}
      </Told>
    </Card>
  );
}
