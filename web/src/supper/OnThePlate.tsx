import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import styled from 'styled-components';
import { cssLab } from '../format/colour';
import { useWidth } from '../race/useWidth';
import { Card, Quiet } from '../ui/layout';
import { hhmm } from './time';
import type { Sheet } from './useSupper';

const Box = styled(Card)`
  display: grid;
  gap: 11px;
  align-content: start;
  h2 {
    font-size: 18px;
  }
`;

const One = styled.div`
  display: grid;
  grid-template-columns: 42px 1fr;
  gap: 11px;
  align-items: start;
  i {
    width: 42px;
    height: 42px;
    border-radius: 11px;
    border: 1px solid var(--line);
  }
  small {
    display: block;
    color: var(--quiet);
    font-size: 14px;
  }
  b {
    font-weight: 650;
  }
`;

const Graph = styled.div`
  min-width: 0;
  svg {
    display: block;
    overflow: visible;
  }
  text {
    font-size: 13px;
    fill: var(--quiet);
  }
`;

/** What is on the plate at that moment, and the way of each crust until then. */
export function OnThePlate({ sheet, pending }: { sheet: Sheet; pending: boolean }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const first = Math.min(...sheet.plate.map((p) => Date.parse(p.outAt)));
  const table = Date.parse(sheet.serveAt);
  const x = scaleLinear([first, table], [0, Math.max(120, width)]);
  const y = scaleLinear([0, 100], [74, 6]);
  return (
    <Box aria-label="On the plate" aria-busy={pending}>
      <h2>On the plate at {hhmm(sheet.serveAt)}</h2>
      {sheet.plate.map((p) => (
        <One key={`${p.dish}${p.basket}`}>
          <i style={{ background: cssLab(p.lab) }} aria-hidden />
          <div>
            <b>{p.name}</b>
            <small>
              {p.says} Out at {hhmm(p.outAt)}.
            </small>
          </div>
        </One>
      ))}
      <Graph ref={ref} aria-hidden>
        <Quiet>crust while it waits</Quiet>
        {width > 0 ? (
          <svg width={width} height={96}>
            {[0, 50, 100].map((c) => (
              <line key={c} x1={0} x2={width} y1={y(c)} y2={y(c)} stroke="var(--line)" />
            ))}
            {sheet.plate.map((p) => {
              const out = Date.parse(p.outAt);
              const points = p.line.map((c, m) => ({ at: out + m * 60_000, c }));
              return (
                <g key={`${p.dish}${p.basket}`}>
                  <path
                    d={
                      line<(typeof points)[number]>(
                        (d) => x(Math.min(d.at, table)),
                        (d) => y(d.c),
                      )(points) ?? ''
                    }
                    fill="none"
                    stroke={cssLab(p.lab)}
                    strokeWidth={3}
                  />
                  {p.flashed ? (
                    <line
                      x1={x(table) - 12}
                      x2={x(table)}
                      y1={y(p.line.at(-1) ?? 0)}
                      y2={y(p.crust)}
                      stroke="var(--heat)"
                      strokeWidth={3}
                    />
                  ) : null}
                </g>
              );
            })}
            <text x={0} y={92}>
              {hhmm(first)}
            </text>
            <text x={width} y={92} textAnchor="end">
              {hhmm(table)}
            </text>
          </svg>
        ) : null}
      </Graph>
    </Box>
  );
}
