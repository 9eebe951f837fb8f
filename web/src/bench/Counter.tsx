import { useEffect, useState } from 'react';
import styled from 'styled-components';
import type { PlanInput } from '../api/client';
import { useDrag } from '../race/useDrag';
import { Grip, Join } from '../race/handle';
import { move } from '../race/move';
import { useWidth } from '../race/useWidth';
import { at, dayOf, hhmm } from '../supper/time';
import { type Run } from '../ui/history';
import type { Units } from '../format/units';
import { counterOf, ofTask, type Counter as Scale, type Task } from './counterScale';
import type { BenchAnswer } from './useBench';

const Frame = styled.div`
  position: relative;
  background: var(--surface);
  border-radius: 16px;
  margin: 10px 0 14px;
  overflow-x: auto;
  overflow-y: hidden;
  > div {
    position: relative;
  }
  svg {
    display: block;
  }
  text {
    font-size: 13.5px;
    font-weight: 600;
    fill: var(--ink);
  }
  .quiet {
    font-weight: 500;
    fill: var(--quiet);
  }
`;

const MINUTE = 60_000;
const TOP = 34;
const ROW = 40;

/** What stands on the counter for a task: its shape, and how much of it. */
function onCounter(task: Task, plan: string, answer: BenchAnswer, units: Units): { shape: string; says: string } {
  const { kind, lot } = ofTask(task, plan);
  const of = answer.lots[lot];
  switch (kind) {
    case 'salt':
      return { shape: 'bowl', says: `salt ${units.pinch(of?.rubG ?? 0)}` };
    case 'dry':
      return {
        shape: 'paper',
        says: of && of.rubG > 0 && /salt them/.test(task.says) ? `paper, salt ${units.pinch(of.rubG)}` : 'paper',
      };
    case 'marinade':
      return { shape: 'bowl', says: 'marinade' };
    case 'thaw':
      return { shape: 'paper', says: 'a plate' };
    case 'cut':
      return { shape: 'board', says: 'board' };
    case 'coat': {
      const bowls = of?.bowls ?? [];
      const first = bowls[0];
      if (!first) return { shape: 'bowl', says: `oil ${units.mass(of?.coat.oilG ?? 0)}` };
      return {
        shape: 'bowl',
        says: bowls.length === 1 ? `${first.name} ${units.mass(first.putOutG)}` : `${bowls.length} bowls`,
      };
    }
  }
  return { shape: 'board', says: '' };
}

function Shape({ of, x, y }: { of: string; x: number; y: number }) {
  const line = { fill: 'var(--surface)', stroke: 'var(--ink)', strokeWidth: 2 };
  if (of === 'paper') return <rect x={x - 17} y={y - 25} width={34} height={25} rx={4} {...line} />;
  if (of === 'board')
    return <rect x={x - 25} y={y - 11} width={50} height={11} rx={3} {...line} fill="var(--lemon-wash)" />;
  return (
    <path
      d={`M${x - 25} ${y - 25}Q${x - 21} ${y} ${x} ${y}Q${x + 21} ${y} ${x + 25} ${y - 25}Z`}
      {...line}
      fill="var(--lemon-wash)"
    />
  );
}

const long = (minutes: number) =>
  minutes < 90
    ? `${Math.round(minutes)} min`
    : `${Math.floor(minutes / 60 + 0.25)}${Math.round(minutes / 30) % 2 ? ' ½' : ''} h`;

interface Props {
  plan: { id: string; name: string } & Pick<PlanInput, 'lots'>;
  tasks: Task[];
  serveAt: string;
  answer: BenchAnswer;
  units: Units;
  /** Gives a station of a lot another wait, in minutes. */
  wait: (run: Run, lot: number, kind: string, minutes: number) => void;
}

/** Where each wait begins: drawn sideways, or moved by keys. */
function Beginnings({
  plan,
  counter: c,
  rows,
  tells,
  wait,
}: Pick<Props, 'plan' | 'wait'> & { counter: Scale; rows: number[]; tells: (w: Task) => string }) {
  const { grip } = useDrag();
  return (
    <>
      {c.waits.map((w) => {
        const { kind, lot } = ofTask(w, plan.id);
        if (kind === 'thaw') return null;
        const minutes = Math.round((at(w.end) - at(w.start)) / MINUTE);
        const x1 = c.x(at(w.start));
        const perPx = minutes / Math.max(1, c.x(at(w.end)) - x1);
        const step = kind === 'coat' ? 1 : minutes < 120 ? 15 : 30;
        const to = (m: number) => {
          const most = Math.min(w.most ?? 1440, 1440);
          return Math.min(most, Math.max(w.least ?? 0, Math.round(m / step) * step));
        };
        return (
          <Grip
            key={w.id}
            role="presentation"
            style={{ left: x1, top: TOP + rows.indexOf(lot) * ROW + 14 }}
            onPointerDownCapture={grip((_, drag) => (dx) => wait(drag, lot, kind, to(minutes - dx * perPx)))}
          >
            <Join
              aria-label={`${tells(w)}; ${w.least === undefined ? '' : `least ${long(w.least)}, `}${w.most === undefined ? '' : `most ${long(w.most)}`}. Begins at ${hhmm(at(w.start))}`}
              onKeyDown={move(
                (up, right) => wait('wait', lot, kind, to(minutes + step * (up - right))),
                () => undefined,
              )}
            />
          </Grip>
        );
      })}
    </>
  );
}

/** The counter: what is done when, from the first thing to the basket, and what can wait. */
export function Counter({ plan, tasks, serveAt, answer, units, wait }: Props) {
  const [ref, wide] = useWidth<HTMLDivElement>();
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 20_000);
    return () => clearInterval(timer);
  }, []);
  const c = wide > 0 ? counterOf(tasks, plan.id, serveAt, wide) : null;
  if (!c) return <Frame ref={ref} style={{ minHeight: 200 }} />;
  const rows = [...new Set(c.waits.map((w) => ofTask(w, plan.id).lot))].sort();
  const table = TOP + Math.max(1, rows.length) * ROW + 46;
  const most = Math.max(1, ...c.stops.map((s) => s.tasks.length));
  const height = table + 24 + most * 18;
  const first = c.stops[0]?.t ?? c.basket;
  const tells = (w: Task) => {
    const own = w.says.replace(plan.name, '').replace(/^,? /, '').replace('rest in their coat', 'rests');
    return `${own}: ${long((at(w.end) - at(w.start)) / MINUTE)}`;
  };
  const moments = [...c.stops.map((s) => s.t), c.basket, c.table];
  const longOnes = moments.filter(
    (t, k) => k === 0 || new Date(t).getDate() !== new Date(moments[k - 1] ?? t).getDate(),
  );
  return (
    <Frame ref={ref} role="group" aria-label="The counter" tabIndex={c.width > wide ? 0 : undefined}>
      <div style={{ width: c.width }}>
        <svg
          width={c.width}
          height={height}
          role="img"
          aria-label={`Begin ${dayOf(new Date(first).toISOString())} at ${hhmm(first)}. ${c.stops.map((s) => `${hhmm(s.t)}: ${s.tasks.map((t) => t.says).join('; ')}`).join('. ')}. ${hhmm(c.basket)}: into the basket. ${hhmm(c.table)}: on the table.`}
        >
          <rect x={0} y={table} width={c.width} height={6} fill="var(--line)" />
          <rect x={0} y={table + 6} width={c.width} height={height - table - 6} fill="var(--paper)" />
          {moments.map((t) => (
            <g key={t}>
              <line x1={c.x(t)} x2={c.x(t)} y1={TOP - 4} y2={table} stroke="var(--line)" strokeWidth={2} />
              <text x={c.x(t)} y={21} textAnchor="middle">
                {longOnes.includes(t) && new Date(t).getDate() !== new Date(now).getDate()
                  ? `${new Date(t).toLocaleDateString('en-GB', { weekday: 'short' })} `
                  : ''}
                {hhmm(t)}
              </text>
            </g>
          ))}
          {c.waits.map((w) => {
            const { lot } = ofTask(w, plan.id);
            const y = TOP + rows.indexOf(lot) * ROW;
            const x1 = c.x(at(w.start));
            const x2 = c.x(at(w.end));
            const latest = w.least === undefined ? null : c.x(at(w.end) - w.least * MINUTE);
            return (
              <g key={w.id}>
                <rect
                  x={x1}
                  y={y}
                  width={Math.max(8, x2 - x1 - 4)}
                  height={28}
                  rx={9}
                  fill={w.place === 'fridge' ? 'var(--core-wash)' : 'var(--lemon-wash)'}
                />
                <text x={x1 + 16} y={y + 19}>
                  {x2 - x1 > 26 + 7.4 * tells(w).length ? tells(w) : ''}
                </text>
                {latest !== null && latest > x1 + 150 && latest < x2 - 6 ? (
                  <>
                    <line
                      x1={latest}
                      x2={latest}
                      y1={y - 2}
                      y2={y + 32}
                      stroke="var(--ink)"
                      strokeWidth={2}
                      strokeDasharray="3 3"
                    />
                    <text x={latest - 6} y={y + 19} textAnchor="end" className="quiet">
                      latest
                    </text>
                  </>
                ) : null}
              </g>
            );
          })}
          {c.stops.map((s) => (
            <g key={s.t}>
              {s.tasks.slice(0, 3).map((t, k) => (
                <Shape
                  key={t.id}
                  of={onCounter(t, plan.id, answer, units).shape}
                  x={c.x(s.t) + (k - (Math.min(3, s.tasks.length) - 1) / 2) * 30}
                  y={table}
                />
              ))}
              {[...new Set(s.tasks.map((t) => onCounter(t, plan.id, answer, units).says))].map((says, k) => (
                <text key={says} x={c.x(s.t)} y={table + 24 + k * 18} textAnchor="middle">
                  {says}
                </text>
              ))}
            </g>
          ))}
          <rect
            x={c.x(c.basket) - 33}
            y={table - 44}
            width={66}
            height={44}
            rx={8}
            fill="var(--surface)"
            stroke="var(--heat)"
            strokeWidth={3}
          />
          <text x={c.x(c.basket)} y={table - 17} textAnchor="middle" style={{ fill: 'var(--heat)' }}>
            basket
          </text>
          <text x={c.x(c.table)} y={table - 10} textAnchor="middle">
            table
          </text>
          {now >= first && now <= c.table ? (
            <>
              <line x1={c.x(now)} x2={c.x(now)} y1={TOP - 8} y2={height} stroke="var(--lemon)" strokeWidth={4} />
              <text x={c.x(now) + 7} y={height - 6}>
                now
              </text>
            </>
          ) : null}
        </svg>
        <Beginnings {...{ plan, wait, tells, rows }} counter={c} />
      </div>
    </Frame>
  );
}
