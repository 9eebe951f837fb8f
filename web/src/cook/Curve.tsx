import { area, line } from 'd3-shape';
import { scaleLinear } from 'd3-scale';
import type { Schemas } from '../api/client';
import type { Units } from '../format/units';
import { useWidth } from '../race/useWidth';

const HEIGHT = 132;

interface Props {
  ahead: Schemas['CookAhead'];
  /** Since it went in; nothing is dashed where it is over. */
  minute: number;
  endMin: number;
  ruleC: number;
  inside: string;
  units: Units;
  height?: number;
}

/** The inside along its minutes, the band before and now, and what was read. */
export function Curve({ ahead, minute, endMin, ruleC, inside, units, height = HEIGHT }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const last = Math.max(endMin + 3, Math.min(minute + 4, endMin + 14));
  const x = scaleLinear([0, last], [2, width - 4]);
  const y = scaleLinear([0, Math.max(100, ruleC + 12)], [height - 20, 6]);
  const within = <T extends { minute: number }>(list: T[]) => list.filter((p) => p.minute <= last);
  const band = area<Schemas['CookAhead']['now']['band'][number]>()
    .x((p) => x(p.minute))
    .y0((p) => y(Math.max(0, p.lowC)))
    .y1((p) => y(Math.min(110, p.highC)));
  const core = line<{ minute: number; coreC: number }>()
    .x((p) => x(p.minute))
    .y((p) => y(p.coreC));
  const stayed = line<Schemas['ReadInside']>()
    .x((r) => x(r.minute))
    .y((r) => y(r.c));
  const been = within(ahead.now.timeline).filter((p) => p.minute <= minute);
  const coming = within(ahead.now.timeline).filter((p) => p.minute >= minute - 0.5);
  const read = ahead.readings.at(-1);
  return (
    <div ref={ref}>
      {width > 0 ? (
        <svg
          width={width}
          height={height}
          role="img"
          aria-label={`The inside over ${Math.round(endMin)} minutes${read ? `, last read ${units.temperature(read.c)} at minute ${Math.round(read.minute)}` : ''}`}
          style={{ display: 'block', fontSize: 14, fill: 'var(--ink)' }}
        >
          <path d={band(within(ahead.before.band)) ?? ''} fill="var(--core-wash)" opacity={0.45} />
          <path d={band(within(ahead.now.band)) ?? ''} fill="var(--core-wash)" />
          <line x1={2} x2={width} y1={y(ruleC)} y2={y(ruleC)} stroke="var(--safe)" strokeWidth={2} />
          <text x={4} y={y(ruleC) - 5} style={{ fill: 'var(--safe)', fontWeight: 600 }}>
            {inside} {units.temperature(ruleC)}
          </text>
          <path d={core(been) ?? ''} fill="none" stroke="var(--core)" strokeWidth={3.5} />
          <path d={core(coming) ?? ''} fill="none" stroke="var(--core)" strokeWidth={2.5} strokeDasharray="3 5" />
          <path
            d={stayed(ahead.readings.filter((r) => r.kind === 'left-in')) ?? ''}
            fill="none"
            stroke="var(--lemon)"
            strokeWidth={2}
          />
          {ahead.readings
            .filter((r) => r.kind === 'probe')
            .map((r, i) => (
              <circle key={i} cx={x(r.minute)} cy={y(r.c)} r={6} fill="var(--lemon)" stroke="var(--edge)" />
            ))}
          {[0, Math.round(endMin / 2), Math.round(endMin)].map((m) => (
            <text key={m} x={Math.max(4, x(m))} y={height - 3} textAnchor="middle" style={{ fill: 'var(--quiet)' }}>
              {m}
            </text>
          ))}
        </svg>
      ) : (
        <div style={{ height }} />
      )}
    </div>
  );
}
