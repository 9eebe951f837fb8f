import styled from 'styled-components';
import type { Doing } from '../api/live';
import { clock } from '../format/units';
import { at, type } from '../theme/tokens';

const Next = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 12px;
  ${at.phone} {
    grid-template-columns: minmax(0, 1fr);
  }
  li {
    background: var(--surface);
    border-radius: 14px;
    padding: 12px 16px;
    color: var(--quiet);
    font-size: 16px;
  }
  strong {
    display: block;
    font: 650 20px/1.2 ${type.loud};
    color: var(--ink);
  }
`;

const SOON_MS = 15 * 60_000;

const when = (d: Doing, now: number) => {
  const left = Date.parse(d.until) - now;
  if (left <= 0) return 'now';
  return left < SOON_MS ? `in ${Math.max(1, Math.round(left / 60_000))} min` : clock(d.until);
};

interface Props {
  tasks: Doing[];
  /** What is asked for now, by other hands too. */
  asked: Doing[];
  now: number;
}

/** What comes next. */
export function NextTasks({ tasks, asked, now }: Props) {
  return (
    <Next aria-label="Next">
      {tasks.map((d) => (
        <li key={d.id}>
          {asked.some((o) => o.id === d.id) ? 'other hands · ' : ''}
          {when(d, now)} · {d.where}
          <strong>{d.title}</strong>
        </li>
      ))}
    </Next>
  );
}
