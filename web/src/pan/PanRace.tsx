import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { useId } from 'react';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { minutes, type Units } from '../format/units';
import { Flag, Grip, Handle, Out } from '../race/handle';
import { move } from '../race/move';
import { FLAG_ROW, flagRows, minuteTicks } from '../race/scale';
import { useDrag } from '../race/useDrag';
import { useHeard } from '../race/useHeard';
import { useWidth } from '../race/useWidth';
import type { Sauce, SauceAnswer } from './usePan';
import { nearest } from './thick';

const Frame = styled.div`
  position: relative;
  svg {
    display: block;
    overflow: visible;
  }
  text {
    font-size: 13.5px;
    fill: var(--ink);
    paint-order: stroke;
    stroke: var(--surface);
    stroke-width: 4px;
    stroke-linejoin: round;
  }
`;

const Thick = styled(Handle)`
  background: var(--sauce);
  color: var(--surface);
  cursor: ns-resize;
`;

const Shelf = styled(Handle)`
  cursor: ns-resize;
`;

const Static = styled(Flag)`
  background: var(--surface);
  color: var(--ink);
  border: 1.5px solid var(--edge);
  cursor: default;
`;

interface Props {
  answer: SauceAnswer;
  sauce: Sauce;
  endMin: number;
  choices: Schemas['PanChoices'];
  units: Units;
  pending: boolean;
  edit: {
    thick: (drag: string, g: number) => void;
    heat: (drag: string, id: string) => void;
    /** Minutes before the food is out at which it goes on. */
    before: (drag: string, minutes: number) => void;
  };
}

const names: Record<string, string> = { on: 'on', add: 'rest in', boil: 'boils', slurry: 'starch', ready: 'ready' };

/** The sauce getting thick against the basket getting done, on one time axis. */
export function PanRace({ answer, sauce, endMin, choices, units, pending, edit }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const id = useId().replaceAll(':', '');
  const { grip } = useDrag();
  const { made, told } = answer;
  const [low = 0, high = 0] = made.band;
  const compact = width < 560;
  const on = endMin - made.onMin;
  const ready = on + made.readyMin;
  const wanted = sauce.clingsG ?? choices.usual.sauce.clingsG ?? 0;
  const aims = sauce.school !== 'melt';
  const boils = sauce.school === 'reduce' || sauce.school === 'thicken';
  const from = Math.min(on - 2, endMin - 6);
  const to = Math.max(endMin + 4, Math.min(ready + made.waitMin, ready + 14) + 2);
  const left = compact ? 40 : 62;
  const right = Math.max(width, 280) - (compact ? 12 : 24);
  const top = { from: 20, to: compact ? 170 : 200 };
  const rail = { from: top.to + 34, step: 17 };
  const rails = boils ? choices.heats : [];
  const mass = {
    from: (boils ? rail.from + rail.step * 3 : top.to) + 26,
    to: (boils ? rail.from + rail.step * 3 : top.to) + 92,
  };
  const axis = mass.to + 12;
  const x = scaleLinear([from, to], [left, right]);
  const tallest = Math.max(aims ? wanted * 1.7 : 0, high * 1.15, 10);
  const y = scaleLinear([2.5, tallest], [top.to, top.from]).clamp(true);
  const heaviest = Math.max(...made.line.map((p) => p.massG), 1);
  const z = scaleLinear([0, heaviest], [mass.to, mass.from]);
  const at = (p: { minute: number }) => x(on + p.minute);
  const cooking = made.line.filter((p) => p.minute <= made.readyMin + 1e-6);
  const waiting = made.line.filter((p) => p.minute >= made.readyMin - 1e-6 && on + p.minute <= to);
  const drawn = (points: typeof made.line) => line<(typeof points)[number]>(at, (p) => y(p.clingsG))(points) ?? '';
  const weighed = area<(typeof made.line)[number]>(at, mass.to, (p) => z(p.massG))([...cooking, ...waiting]) ?? '';
  const until = Math.min(ready + made.waitMin, to);
  const flags = made.moments.filter((m) => m.kind !== 'add' || !compact);
  const places = [x(endMin), ...flags.map((m) => x(on + m.minute))];
  const rows = flagRows(places);
  const height = axis + 66 + Math.max(0, ...rows) * FLAG_ROW;
  const flagTop = (row = 0) => axis + 44 + row * FLAG_ROW;
  const heatAt = choices.heats.findIndex((h) => h.id === (sauce.heat ?? choices.usual.sauce.heat));
  const railY = (k: number) => rail.from + (choices.heats.length - 1 - k) * rail.step;
  const boilsAt = on + (made.moments.find((m) => m.kind === 'boil')?.minute ?? 0);
  const heard = useHeard(
    [`on ${minutes(made.onMin)} min before the food is out`, `${wanted} g`, sauce.heat ?? ''],
    `${told.reads} ${told.waits}`,
    !pending,
  );
  const signs = choices.levels.filter((l) => l.g <= tallest * 0.97);
  return (
    <Frame ref={ref}>
      {width > 0 ? (
        <>
          <svg
            width={width}
            height={height}
            role="img"
            aria-label={`The pan. ${told.makes} ${told.reads} ${told.waits}`}
          >
            <defs>
              <clipPath id={id}>
                <rect x={left} y={0} width={right - left} height={height} />
              </clipPath>
            </defs>
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
                <text x={left - 8} y={y(l.g) + 5} textAnchor="end">
                  {l.g} g
                </text>
                {compact ? null : (
                  <text x={left + 8} y={y(l.g) - 5} style={{ fill: 'var(--quiet)', fontSize: 13 }}>
                    {l.name.toLowerCase()}
                  </text>
                )}
              </g>
            ))}
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
            <g clipPath={`url(#${id})`}>
              <path d={drawn(waiting)} fill="none" stroke="var(--sauce)" strokeWidth={2} strokeDasharray="2 5" />
              <path d={drawn(cooking)} fill="none" stroke="var(--sauce)" strokeWidth={3.2} strokeLinecap="round" />
              <path d={weighed} fill="var(--sauce)" opacity={0.22} />
            </g>
            <circle
              cx={x(ready)}
              cy={y(made.clingsG)}
              r={6}
              fill="var(--surface)"
              stroke="var(--sauce)"
              strokeWidth={3}
            />
            {rails.map((h, k) => (
              <g key={h.id}>
                <line x1={left} x2={right} y1={railY(k)} y2={railY(k)} stroke="var(--line)" strokeDasharray="1 5" />
                <text x={left - 8} y={railY(k) + 5} textAnchor="end" style={{ fill: 'var(--quiet)', fontSize: 12.5 }}>
                  {compact ? h.id : h.id === 'hard' ? 'hard boil' : h.id}
                </text>
              </g>
            ))}
            {boils ? (
              <path
                d={`M${x(on)} ${railY(0) + 10}L${x(boilsAt)} ${railY(heatAt)}H${x(ready)}V${railY(0) + 10}`}
                fill="none"
                stroke="var(--heat)"
                strokeWidth={3}
                strokeLinejoin="round"
              />
            ) : null}
            <text x={left} y={mass.from - 8} style={{ fontWeight: 600 }}>
              In the pan
            </text>
            <text x={Math.min(x(ready) + 8, right - 44)} y={z(made.madeG) - 8} style={{ fontWeight: 600 }}>
              {units.mass(made.madeG)}
            </text>
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
                minutes of the basket
              </text>
            )}
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
          </svg>
          {aims ? (
            <Grip
              role="presentation"
              style={{ left: right - 26, top: y(wanted) }}
              onPointerDownCapture={grip((_, drag) => (_dx, dy) => edit.thick(drag, y.invert(y(wanted) + dy)))}
            >
              <Thick
                aria-label={`How thick: ${wanted} g cling to 100 cm², ${nearest(choices.levels, wanted)}`}
                onKeyDown={move(
                  (up, side) => edit.thick('thick', wanted + (up + side) / 2),
                  () => undefined,
                )}
              >
                {wanted} g
              </Thick>
            </Grip>
          ) : null}
          {boils ? (
            <Grip
              role="presentation"
              style={{ left: (x(boilsAt) + x(ready)) / 2, top: railY(heatAt) }}
              onPointerDownCapture={grip((_, drag) => (_dx, dy) => {
                const k = Math.round((rail.from + 2 * rail.step - (railY(heatAt) + dy)) / rail.step);
                const h = choices.heats[Math.min(2, Math.max(0, k))];
                if (h) edit.heat(drag, h.id);
              })}
            >
              <Shelf
                aria-label={`Heat of the hob: ${choices.heats[heatAt]?.name ?? ''}`}
                onKeyDown={move(
                  (up, side) => {
                    const h = choices.heats[Math.min(2, Math.max(0, heatAt + Math.sign(up + side)))];
                    if (h) edit.heat('heat', h.id);
                  },
                  () => undefined,
                )}
              >
                {choices.heats[heatAt]?.says}
              </Shelf>
            </Grip>
          ) : null}
          {flags.map((m, i) =>
            m.kind === 'on' ? (
              <Grip
                key={i}
                role="presentation"
                style={{ left: x(on), top: flagTop(rows[i + 1]) }}
                onPointerDownCapture={grip((_, drag) => (dx) => edit.before(drag, endMin - x.invert(x(on) + dx)))}
              >
                <Flag
                  aria-label={`Pan on ${minutes(made.onMin)} min before the food is out`}
                  onKeyDown={move(
                    (up, side) => edit.before('on', Math.ceil(made.onMin) - side - up),
                    () => undefined,
                  )}
                >
                  on {minutes(on)}
                </Flag>
              </Grip>
            ) : (
              <Grip key={i} role="presentation" style={{ left: x(on + m.minute), top: flagTop(rows[i + 1]) }}>
                <Static isDisabled aria-hidden>
                  {names[m.kind]} {minutes(on + m.minute)}
                </Static>
              </Grip>
            ),
          )}
          <Grip role="presentation" style={{ left: x(endMin), top: flagTop(rows[0]) }}>
            <Out isDisabled aria-hidden>
              food out {minutes(endMin)}
            </Out>
          </Grip>
        </>
      ) : null}
      <span className="quietly" role="status">
        {heard}
      </span>
    </Frame>
  );
}
