import { useState } from 'react';
import styled from 'styled-components';
import type { Fryer } from '../api/client';
import { useWidth } from '../race/useWidth';
import { LaneGround } from './LaneGround';
import { laneRows, shortly, type PlacedLane } from './laneRows';
import { LaneTask, timed, type Pin } from './LaneTask';
import { at, timeScale } from './time';
import type { Sheet, SheetTask } from './useSupper';

// What was drawn for a screen is made as wide as a page.
const PAGE = 670;

const Frame = styled.div`
  position: relative;
  min-width: 0;
  @media print {
    zoom: var(--fit);
  }
  svg {
    display: block;
    overflow: visible;
  }
  text {
    font-size: 13.5px;
    fill: var(--ink);
  }
`;

const Over = styled.p`
  min-height: 22px;
  margin-top: 4px;
  font-size: 14.5px;
`;

interface Props {
  sheet: Sheet;
  fryers: Fryer[];
  names: Record<string, string>;
  pending: boolean;
  problem: string;
  /** Holds a task to a moment; undefined lets it go. */
  pin: Pin;
}

/** Places and hands as lanes, with the table as the line on the right. */
export function Lanes({ sheet, fryers, names, pending, problem, pin }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const [told, setTold] = useState<{ task: SheetTask; more?: string | undefined } | null>(null);
  const compact = width < 620;
  const left = compact ? 2 : 104;
  const right = Math.max(width, 280) - 16;
  const table = at(sheet.serveAt);
  const scale = timeScale(at(sheet.startAt), table, left, right);
  const alone = fryers.length === 1 && fryers[0]?.drawers !== 2;
  const { lanes, high } = laneRows(sheet, alone, compact, scale.x);
  const walked = (l: PlacedLane) => l.tasks.find((t) => t.id === told?.task.id) ?? l.tasks[0];
  return (
    <Frame ref={ref} aria-busy={pending} style={{ '--fit': Math.min(1, PAGE / Math.max(1, width)) }}>
      {width > 0 ? (
        <>
          <LaneGround {...{ sheet, lanes, scale, width, left, right, compact }} height={high + 22} />
          {lanes.map((l) =>
            l.tasks.map((t, k) => (
              <LaneTask
                key={`${l.id} ${t.id}`}
                task={t}
                lane={l}
                row={l.rows[k] ?? 0}
                scale={scale}
                short={shortly(t, sheet, names)}
                tell={(task, more) => setTold({ task, more })}
                pin={pin}
                {...(l.hands
                  ? {
                      tabbed: walked(l) === t,
                      walk: (by: number) => {
                        const next = l.tasks[Math.max(0, Math.min(l.tasks.length - 1, k + by))];
                        if (!next) return;
                        setTold({ task: next });
                        ref.current?.querySelector<HTMLElement>(`[data-hands][data-task='${next.id}']`)?.focus();
                      },
                    }
                  : {})}
              />
            )),
          )}
        </>
      ) : null}
      <Over role="status" className="no-print">
        {problem ? (
          <b>{problem}</b>
        ) : told ? (
          `${timed(told.task)}${told.more ? `. ${told.more}` : ''}`
        ) : (
          'Drag a task or use the arrow keys to hold it; Delete lets it go.'
        )}
      </Over>
    </Frame>
  );
}
