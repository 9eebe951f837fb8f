import { scaleLinear } from 'd3-scale';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { minutes } from '../format/units';
import { Card, Quiet } from '../ui/layout';
import { useWidth } from '../race/useWidth';

const Box = styled(Card)`
  display: grid;
  gap: 8px;
  svg {
    display: block;
    overflow: visible;
  }
  text {
    font-size: 14px;
    fill: var(--quiet);
  }
`;

const ROW = 46;
const GAP = 10;

/** What two drawers take of the plug that they share, over the minutes of both. */
export function Plug({ plug, says }: { plug: Schemas['PlugMoment'][]; says: string }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const end = plug.at(-1)?.minute ?? 1;
  const most = Math.max(1, ...plug.flatMap((m) => m.w));
  const x = scaleLinear([plug[0]?.minute ?? 0, end], [0, Math.max(80, width - 52)]);
  const step = (end - (plug[0]?.minute ?? 0)) / Math.max(1, plug.length - 1);
  const rows = [
    { name: 'right', of: 1, shade: 0.5, base: ROW },
    { name: 'left', of: 0, shade: 1, base: 2 * ROW + GAP },
  ] as const;
  return (
    <Box aria-label="The plug">
      <h3>One plug, two drawers</h3>
      <div ref={ref}>
        {width > 0 ? (
          <svg width={width} height={2 * ROW + GAP + 22} aria-hidden>
            {rows.map((r) => (
              <g key={r.name}>
                {plug.map((m) => {
                  const h = (ROW * (m.w[r.of] ?? 0)) / most;
                  return h > 0.3 ? (
                    <rect
                      key={m.minute}
                      x={x(m.minute)}
                      y={r.base - h}
                      width={x(m.minute + step) - x(m.minute)}
                      height={h}
                      fill="var(--heat)"
                      opacity={r.shade}
                      shapeRendering="crispEdges"
                    />
                  ) : null;
                })}
                <line x1={0} x2={x(end)} y1={r.base} y2={r.base} stroke="var(--line)" />
                <text x={x(end) + 8} y={r.base - 6}>
                  {r.name}
                </text>
              </g>
            ))}
            <text x={x(0)} y={2 * ROW + GAP + 18} textAnchor="middle">
              0
            </text>
            <text x={x(end)} y={2 * ROW + GAP + 18} textAnchor="end">
              {minutes(Math.round(end))} min
            </text>
          </svg>
        ) : null}
      </div>
      <Quiet>
        {says} Up to {Math.round(most / 10) * 10} W.
      </Quiet>
    </Box>
  );
}
