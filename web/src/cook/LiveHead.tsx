import { useState } from 'react';
import styled from 'styled-components';
import type { LiveEvening } from '../api/live';
import { drawerOf } from '../api/place';
import { Quiet } from '../ui/layout';
import { Select } from '../ui/Select';

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 18px;
  font-size: 18px;
  > p {
    flex: 1 1 320px;
  }
  b {
    font-weight: 650;
    color: var(--lemon);
  }
  select {
    width: auto;
    min-height: 64px;
  }
`;

const DRAWER = drawerOf('shows');

/** Of a device that shows every lane. */
export const ALL = 'all';

/** With more hands than one: what goes on at the fryers, and all that goes on elsewhere. */
const AT_THE_FRYERS = 'fryers';
const ELSEWHERE = 'elsewhere';

/** Whether a device that shows a lane shows what is done at a place. */
export function showsPlace(evening: LiveEvening, lane: string, place: string): boolean {
  const fries = evening.baskets.some((b) => b.fryerId === place);
  switch (lane) {
    case ALL:
      return true;
    case AT_THE_FRYERS:
      return fries;
    case ELSEWHERE:
      return !fries;
    default:
      return place === lane;
  }
}

/** Which lane this device shows: the one at the hob only what is on it. */
export function useShows() {
  const [lane, setLane] = useState(() => localStorage.getItem(DRAWER) ?? ALL);
  return [
    lane,
    (to: string) => {
      localStorage.setItem(DRAWER, to);
      setLane(to);
    },
  ] as const;
}

interface Props {
  evening: LiveEvening;
  /** Something is out that is not shown safe. */
  alarm: boolean;
  lane: string;
  show: (lane: string) => void;
}

/** How the supper stands, and which lane this device shows. */
export function LiveHead({ evening, alarm, lane, show }: Props) {
  const { course } = evening;
  const lanes = [...new Set(course.tasks.filter((t) => t.action).map((t) => t.place))].filter((p) => p !== 'none');
  const nameOf = (place: string) => course.tasks.find((t) => t.place === place)?.where ?? place;
  return (
    <Head>
      <p role="status">
        {evening.name} · {course.lateMin >= 1 || alarm ? <b>{course.says}</b> : course.says}
      </p>
      <label>
        <Quiet as="span">This device shows </Quiet>
        <Select value={lane} onChange={(e) => show(e.target.value)}>
          <option value={ALL}>everything</option>
          {evening.hands > 1 || [AT_THE_FRYERS, ELSEWHERE].includes(lane) ? (
            <>
              <option value={AT_THE_FRYERS}>the fryers, for one pair of hands</option>
              <option value={ELSEWHERE}>board, hob and table, for the other</option>
            </>
          ) : null}
          {lanes.map((p) => (
            <option key={p} value={p}>
              {nameOf(p)} only
            </option>
          ))}
        </Select>
      </label>
    </Head>
  );
}
