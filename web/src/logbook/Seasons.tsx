import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useState } from 'react';
import { ToggleButton } from 'react-aria-components';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { pictureUrl } from '../api/pictures';
import { cssLab } from '../format/colour';
import { day } from '../format/units';
import { useWidth } from '../race/useWidth';
import { Button } from '../ui/Button';
import { Card } from '../ui/layout';
import { crustWords, insideWords } from './words';

export type Summary = Schemas['CookSummary'];

const Box = styled(Card)`
  display: grid;
  gap: 10px;
  h2 {
    font-size: 18px;
  }
`;

const Drawing = styled.div`
  position: relative;
  svg {
    display: block;
    overflow: visible;
  }
  text {
    font-size: 13px;
    fill: var(--quiet);
  }
`;

const Columns = styled.div`
  position: absolute;
  inset: 0;
`;

const Column = styled(ToggleButton)`
  position: absolute;
  top: 0;
  bottom: 0;
  border: 0;
  border-radius: 10px;
  background: none;
  cursor: pointer;
  &[data-hovered] {
    background: color-mix(in srgb, var(--lemon) 16%, transparent);
  }
  &[data-selected] {
    background: color-mix(in srgb, var(--lemon) 32%, transparent);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
    outline-offset: -2px;
  }
  img,
  span {
    position: absolute;
    left: 50%;
    bottom: 26px;
    width: 40px;
    height: 40px;
    margin-left: -20px;
    border-radius: 9px;
    object-fit: cover;
  }
`;

const Foot = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 16px;
  color: var(--quiet);
  font-size: 14.5px;
  svg {
    vertical-align: -3px;
    margin-right: 4px;
  }
`;

/** How wide a cook is drawn, px: a finger's width at least. */
const WIDE = 62;

const LEFT = 58;
const BARS = { top: 8, bottom: 84 };
const CRUST = { top: 104, bottom: 160 };
const JUICE = { top: 180, bottom: 236 };
const HEIGHT = 312;

/** Which fryer, as a shape. */
function Shape({ n, x, y }: { n: number; x: number; y: number }) {
  const d = [
    'M-5 0a5 5 0 1 0 10 0a5 5 0 1 0-10 0z',
    'M-5-5h10v10h-10z',
    'M0-6.5l6.5 6.5l-6.5 6.5l-6.5-6.5z',
    'M0-6l6 11h-12z',
  ];
  return <path d={d[n % d.length]} transform={`translate(${x} ${y})`} fill="var(--ink)" />;
}

/** A cook in words, as its column is read. */
const said = (c: Summary) =>
  [
    `${c.name}, ${day(c.startedAt)}`,
    c.actualMin == null ? 'given up' : `${Math.round(c.actualMin)} min, planned ${Math.round(c.plannedMin ?? 0)}`,
    c.endCrust == null ? '' : `crust ${Math.floor(c.endCrust)}`,
    c.juicePct == null ? '' : `juice ${Math.floor(c.juicePct)} %`,
    c.crust ? (crustWords[c.crust] ?? c.crust) : '',
    c.inside ? (insideWords[c.inside] ?? c.inside) : '',
    c.fryer ?? '',
  ]
    .filter((w) => w !== '')
    .join(', ');

/** A line over time: its figure, scale and colour, how it was judged, and the words for that. */
type Way = [
  (c: Summary) => number | undefined,
  (v: number) => number,
  string,
  (c: Summary) => string | undefined,
  Record<string, string>,
];

interface BarProps {
  cook: Summary;
  at: number;
  wide: number;
  y: (minutes: number) => number;
}

/** How long a cook was in, in the colours of its faces, and how long was planned. */
function Bar({ cook: c, at: x, wide, y }: BarProps) {
  return (
    <g>
      {c.actualMin == null
        ? null
        : [0, 1].map((f) => (
            <rect
              key={f}
              x={x - wide / 2 + (f * wide) / 2}
              width={wide / 2}
              y={y(c.actualMin ?? 0)}
              height={BARS.bottom - y(c.actualMin ?? 0)}
              fill={c.lab?.[f] ? cssLab(c.lab[f]) : 'var(--soft)'}
            />
          ))}
      {c.plannedMin == null ? null : (
        <line
          x1={x - wide / 2 - 4}
          x2={x + wide / 2 + 4}
          y1={y(c.plannedMin)}
          y2={y(c.plannedMin)}
          stroke="var(--ink)"
          strokeWidth={2}
        />
      )}
      {c.actualMin == null ? null : (
        <text x={x} y={BARS.bottom + 14} textAnchor="middle" style={{ fill: 'var(--ink)' }}>
          {Math.round(c.actualMin)}
        </text>
      )}
      <text x={x} y={HEIGHT - 8} textAnchor="middle">
        {new Date(c.startedAt).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })}
      </text>
    </g>
  );
}

interface Props {
  /** The latest first. */
  cooks: Summary[];
  picked: string[];
  pick: (id: string, on: boolean) => void;
}

/** Cooks one after another in time: how long, how crisp, how juicy, where, and how they looked; two are compared. */
export function Seasons({ cooks, picked, pick }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const [back, setBack] = useState(0);
  const fit = Math.max(2, Math.floor((width - LEFT) / WIDE));
  const from = Math.min(back, Math.max(0, cooks.length - fit));
  const shown = cooks.slice(from, from + fit).reverse();
  const fryers = [...new Set(cooks.map((c) => c.fryer ?? ''))];
  const dishes = new Set(cooks.map((c) => c.name));
  const step = Math.min(120, (width - LEFT) / Math.max(1, shown.length));
  const x = (k: number) => LEFT + (k + 0.5) * step;
  const most = Math.max(10, ...shown.map((c) => Math.max(c.actualMin ?? 0, c.plannedMin ?? 0)));
  const minutes = scaleLinear([0, most], [BARS.bottom, BARS.top]);
  const crust = scaleLinear([0, 100], [CRUST.bottom, CRUST.top]);
  const juice = scaleLinear([0, 100], [JUICE.bottom, JUICE.top]);
  const ways: Way[] = [
    [(c) => c.endCrust, crust, 'var(--crust)', (c) => c.crust, crustWords],
    [(c) => c.juicePct, juice, 'var(--core)', (c) => c.inside, { ...insideWords, juicy: '' }],
  ];
  return (
    <Box aria-label="Over time">
      <h2>Over time</h2>
      <Drawing ref={ref} style={{ height: HEIGHT }}>
        {width > 0 ? (
          <>
            <svg width={width} height={HEIGHT} aria-hidden>
              {(
                [
                  ['minutes', BARS],
                  ['crust', CRUST],
                  ['juice', JUICE],
                ] as const
              ).map(([name, at]) => (
                <g key={name}>
                  <text x={0} y={at.bottom - 2}>
                    {name}
                  </text>
                  <line x1={LEFT} x2={width} y1={at.bottom} y2={at.bottom} stroke="var(--line)" />
                </g>
              ))}
              {shown.map((c, k) => (
                <Bar key={c.id} cook={c} at={x(k)} wide={Math.min(30, step - 16)} y={minutes} />
              ))}
              {ways.map(([pickOut, y, stroke, judged, words]) => {
                const points = shown.map((c, k) => ({ k, c, v: pickOut(c) })).filter((p) => p.v != null);
                return (
                  <g key={stroke}>
                    {dishes.size === 1 ? (
                      <path
                        d={
                          line<(typeof points)[number]>(
                            (p) => x(p.k),
                            (p) => y(p.v ?? 0),
                          )(points) ?? ''
                        }
                        fill="none"
                        stroke={stroke}
                        strokeWidth={2}
                      />
                    ) : null}
                    {points.map((p) => (
                      <g key={p.c.id}>
                        <Shape n={fryers.indexOf(p.c.fryer ?? '')} x={x(p.k)} y={y(p.v ?? 0)} />
                        <text x={x(p.k) + 10} y={y(p.v ?? 0) - 6} style={{ fill: 'var(--ink)' }}>
                          {Math.floor(p.v ?? 0)}
                        </text>
                        {judged(p.c) && judged(p.c) !== 'good' ? (
                          <text x={x(p.k)} y={y(p.v ?? 0) + 20} textAnchor="middle">
                            {words[judged(p.c) ?? '']}
                          </text>
                        ) : null}
                      </g>
                    ))}
                  </g>
                );
              })}
            </svg>
            <Columns role="group" aria-label="Cooks to compare">
              {shown.map((c, k) => (
                <Column
                  key={c.id}
                  aria-label={said(c)}
                  isSelected={picked.includes(c.id)}
                  onChange={(on) => pick(c.id, on)}
                  style={{ left: x(k) - step / 2 + 2, width: step - 4 }}
                >
                  {c.picture ? (
                    <img src={pictureUrl(c.picture.id, 'small')} alt="" loading="lazy" />
                  ) : (
                    <span
                      style={{
                        background: `linear-gradient(90deg, ${[0, 1]
                          .map((f) => (c.lab?.[f] ? cssLab(c.lab[f]) : 'var(--soft)'))
                          .map((colour, f) => `${colour} ${f * 50}% ${f * 50 + 50}%`)
                          .join(', ')})`,
                      }}
                    />
                  )}
                </Column>
              ))}
            </Columns>
          </>
        ) : null}
      </Drawing>
      <Foot>
        {fryers.length > 1
          ? fryers.map((f, n) => (
              <span key={f}>
                <svg width="16" height="16" viewBox="-8 -8 16 16" aria-hidden>
                  <Shape n={n} x={0} y={0} />
                </svg>
                {f}
              </span>
            ))
          : null}
        <span>Tap two to compare them.</span>
        {cooks.length > fit ? (
          <>
            <Button isDisabled={from + fit >= cooks.length} onPress={() => setBack(from + fit)}>
              Earlier
            </Button>
            <Button isDisabled={from === 0} onPress={() => setBack(Math.max(0, from - fit))}>
              Later
            </Button>
          </>
        ) : null}
      </Foot>
    </Box>
  );
}
