import styled from 'styled-components';
import type { CookEntry, Schemas } from '../api/client';
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

type Came = Schemas['Simulation'] | Schemas['LotAnswer'];

/** What came of a load or of one of its lots, as planned and as it happened. */
function rowsOf(planned: Came, happened: Came, units: Units): [string, string, string][] {
  return [
    ['Safe by, 95 loads in 100', by(planned.chance?.safeByMin), by(happened.chance?.safeByMin)],
    ['Crisp at', by(planned.crispAtMin), by(happened.crispAtMin)],
    ['Inside at the end, estimate', units.temperature(planned.end.coreC), units.temperature(happened.end.coreC)],
    ['Crust at the end, of 100', `${Math.floor(planned.end.crust)}`, `${Math.floor(happened.end.crust)}`],
    ['Juice kept, estimate', `${Math.floor(planned.end.juiceKeptPct)} %`, `${Math.floor(happened.end.juiceKeptPct)} %`],
  ];
}

/** What was planned beside what happened, of each lot where there are several. */
export function PlannedAndHappened({ cook, units }: { cook: CookEntry; units: Units }) {
  const actual = minutesIn(cook);
  const planned = cook.plan.program.stages.reduce((s, st) => s + st.minutes, 0);
  const after = cook.forecast.lots ?? [];
  const lots = (cook.planned.lots ?? []).flatMap((lot, k) => (after[k] ? [{ lot, happened: after[k] }] : []));
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
          <Rows
            rows={[['In the basket', `${minutes(planned)} min`, actual === null ? '–' : `${minutes(actual)} min`]]}
          />
          {lots.length < 2 ? <Rows rows={rowsOf(cook.planned, cook.forecast, units)} /> : null}
        </tbody>
        {lots.length < 2
          ? null
          : lots.map(({ lot, happened }, k) => (
              <tbody key={k}>
                <tr>
                  <th scope="rowgroup" colSpan={3}>
                    The {lot.name}
                  </th>
                </tr>
                <Rows
                  rows={[
                    ['In until', `${minutes(lot.outMin)} min`, `${minutes(happened.outMin)} min`],
                    ...rowsOf(lot, happened, units),
                  ]}
                />
              </tbody>
            ))}
      </Table>
    </Card>
  );
}

const Rows = ({ rows }: { rows: [string, string, string][] }) =>
  rows.map(([what, plan, real]) => (
    <tr key={what}>
      <th scope="row">{what}</th>
      <td>{plan}</td>
      <td>{real}</td>
    </tr>
  ));

/** What was said of it, minute by minute. */
export function WhatWasSaid({ cook, units }: { cook: CookEntry; units: Units }) {
  const loaded = loadedAt(cook);
  const minuteOf = (iso: string) => (loaded ? (Date.parse(iso) - loaded) / 60000 : 0);
  const tell = (e: CookEntry['events'][number]) => {
    const m = minuteOf(e.at);
    const read =
      e.kind === 'probe'
        ? `; the estimate was ${units.temperature(between(cook.forecast.lots?.[e.lot ?? 0]?.timeline ?? cook.forecast.timeline, m, (x) => x.coreC))}`
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
