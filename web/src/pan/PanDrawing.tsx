import { area, line } from 'd3-shape';
import type { Schemas } from '../api/client';
import type { Units } from '../format/units';
import { minuteTicks } from '../race/scale';
import type { PanScale } from './panScale';
import type { SauceAnswer } from './usePan';

interface Drawn {
  made: SauceAnswer['made'];
  scale: PanScale;
}

/** How much clings, as a cook calls it. */
export function Signs({ choices, scale }: { choices: Schemas['PanChoices']; scale: PanScale }) {
  const { left, right, top, y, compact, tallest } = scale;
  const signs = choices.levels.filter((l) => l.g <= tallest * 0.97);
  return (
    <>
      <rect
        x={left}
        y={top.from}
        width={right - left}
        height={top.to - top.from}
        fill="var(--heat-wash)"
        opacity={0.55}
      />
      {signs.map((l) => (
        <g key={l.g}>
          <line x1={left} x2={right} y1={y(l.g)} y2={y(l.g)} stroke="var(--line)" />
          <text x={left - 8} y={y(l.g) + 5} textAnchor="end" style={{ fontSize: 13 }}>
            {compact ? `${l.g} g` : l.name.toLowerCase()}
          </text>
        </g>
      ))}
    </>
  );
}

/** The time in which it is thick enough, and what is aimed at. */
export function ThickWindow({ scale, pending }: { scale: PanScale; pending: boolean }) {
  const { x, y, left, right, low, high, ready, until, aims, wanted } = scale;
  return (
    <>
      <rect
        x={x(ready)}
        width={Math.max(2, x(until) - x(ready))}
        y={y(high)}
        height={y(low) - y(high)}
        fill="var(--lemon)"
        opacity={pending ? 0.25 : 0.42}
      />
      {aims ? (
        <line
          x1={left}
          x2={right}
          y1={y(wanted)}
          y2={y(wanted)}
          stroke="var(--sauce)"
          strokeDasharray="3 5"
          strokeWidth={1.6}
        />
      ) : null}
    </>
  );
}

/** What clings and what is in the pan, minute by minute. */
export function Curves({ id, made, scale, units }: Drawn & { id: string; units: Units }) {
  const { x, y, z, on, ready, to, left, right, mass } = scale;
  const at = (p: { minute: number }) => x(on + p.minute);
  const cooking = made.line.filter((p) => p.minute <= made.readyMin + 1e-6);
  const waiting = made.line.filter((p) => p.minute >= made.readyMin - 1e-6 && on + p.minute <= to);
  const drawn = (points: typeof made.line) => line<(typeof points)[number]>(at, (p) => y(p.clingsG))(points) ?? '';
  const weighed = area<(typeof made.line)[number]>(at, mass.to, (p) => z(p.massG))([...cooking, ...waiting]) ?? '';
  return (
    <>
      <g clipPath={`url(#${id})`}>
        <path d={drawn(waiting)} fill="none" stroke="var(--sauce)" strokeWidth={2} strokeDasharray="2 5" />
        <path d={drawn(cooking)} fill="none" stroke="var(--sauce)" strokeWidth={3.2} strokeLinecap="round" />
        <path d={weighed} fill="var(--sauce)" opacity={0.22} />
      </g>
      <circle cx={x(ready)} cy={y(made.clingsG)} r={6} fill="var(--surface)" stroke="var(--sauce)" strokeWidth={3} />
      <text x={left} y={mass.from - 8} style={{ fontWeight: 600 }}>
        In the pan
      </text>
      <text x={Math.min(x(ready) + 8, right - 44)} y={z(made.madeG) - 8} style={{ fontWeight: 600 }}>
        {units.mass(made.madeG)}
      </text>
    </>
  );
}

/** The heat of the hob, on its rails. */
export function Rails({ choices, scale }: { choices: Schemas['PanChoices']; scale: PanScale }) {
  const { x, left, right, railY, heatAt, on, ready, boilsAt, compact } = scale;
  return (
    <>
      {choices.heats.map((h, k) => (
        <g key={h.id}>
          <line x1={left} x2={right} y1={railY(k)} y2={railY(k)} stroke="var(--line)" strokeDasharray="1 5" />
          <text x={left - 8} y={railY(k) + 5} textAnchor="end" style={{ fill: 'var(--quiet)', fontSize: 12.5 }}>
            {compact ? h.id : h.id === 'hard' ? 'hard boil' : h.id}
          </text>
        </g>
      ))}
      <path
        d={`M${x(on)} ${railY(0) + 10}L${x(boilsAt)} ${railY(heatAt)}H${x(ready)}V${railY(0) + 10}`}
        fill="none"
        stroke="var(--heat)"
        strokeWidth={3}
        strokeLinejoin="round"
      />
    </>
  );
}

/** The minutes of the basket. */
export function PanAxis({ scale }: { scale: PanScale }) {
  const { x, left, right, from, to, axis, compact } = scale;
  return (
    <>
      <line x1={left} x2={right} y1={axis} y2={axis} stroke="var(--ink)" strokeWidth={1.6} />
      {minuteTicks(to - from, right - left)
        .map((t) => Math.ceil(from) + t)
        .filter((m) => m <= to)
        .map((m) => (
          <g key={m}>
            <line x1={x(m)} x2={x(m)} y1={axis} y2={axis + 6} stroke="var(--ink)" strokeWidth={1.4} />
            <text x={x(m)} y={axis + 21} textAnchor="middle" style={{ fill: 'var(--quiet)' }}>
              {m < 0 ? `−${-m}` : m}
            </text>
          </g>
        ))}
      {compact ? null : (
        <text x={right} y={axis + 40} textAnchor="end" style={{ fill: 'var(--quiet)', fontSize: 13 }}>
          minutes
        </text>
      )}
    </>
  );
}

/** What happens in the pan, and when the food is out. */
export function Marks({ made, scale, endMin, units }: Drawn & { endMin: number; units: Units }) {
  const { x, y, on, top, flags, rows, flagTop, until, to, high, right } = scale;
  return (
    <>
      {flags.map((m, i) => (
        <line
          key={i}
          x1={x(on + m.minute)}
          x2={x(on + m.minute)}
          y1={top.from}
          y2={flagTop(rows[i + 1])}
          stroke="var(--ink)"
          strokeWidth={1.2}
          opacity={0.6}
        />
      ))}
      <line
        x1={x(endMin)}
        x2={x(endMin)}
        y1={top.from - 8}
        y2={flagTop(rows[0])}
        stroke="var(--heat)"
        strokeWidth={2}
      />
      {until < to && made.waitMin < 40 ? (
        <text x={Math.min(x(until) + 6, right - 70)} y={y(high) - 6} style={{ fill: 'var(--quiet)' }}>
          {made.spoonG >= 1 ? `+ ${units.mass(made.spoonG)} water` : ''}
        </text>
      ) : null}
    </>
  );
}
