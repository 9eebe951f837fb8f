import styled from 'styled-components';
import { at, type } from '../theme/tokens';

const Now = styled.h1`
  font: 700 42px/1.1 ${type.loud};
  text-wrap: balance;
  ${at.phone} {
    font-size: 31px;
  }
`;

const Left = styled.p<{ $over: boolean }>`
  font: 700 188px/0.94 ${type.loud};
  font-stretch: 82%;
  letter-spacing: -0.035em;
  color: ${(p) => (p.$over ? 'var(--overdue)' : 'var(--lemon)')};
  margin: 14px 0 20px;
  ${at.phone} {
    font-size: 116px;
    margin: 8px 0 12px;
  }
`;

const Detail = styled.p`
  font-size: 21px;
  line-height: 1.4;
  color: var(--quiet);
  max-width: 34em;
  ${at.phone} {
    font-size: 19px;
  }
`;

const Caution = styled(Detail)`
  color: var(--overdue);
  font-weight: 600;
  margin-bottom: 10px;
`;

/** A time as it runs down. */
export function countdown(ms: number): string {
  const s = Math.abs(Math.ceil(ms / 1000));
  if (s >= 36_000) return `${Math.round(s / 3600)} h`;
  if (s >= 3600) return `${Math.floor(s / 3600)}:${String(Math.floor(s / 60) % 60).padStart(2, '0')} h`;
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
}

interface Props {
  title: string;
  detail: string;
  /** Until it is due, less than 0 since; null where nothing is timed. */
  leftMs: number | null;
  /** It is to be done at once. */
  now?: boolean;
  /** What of the food that it is about is not shown safe. */
  caution?: string | undefined;
}

/** What to do, to be read from two metres, and how long there is. */
export function Countdown({ title, detail, leftMs, now, caution }: Props) {
  const due = leftMs !== null && leftMs <= 0;
  return (
    <div>
      <Now aria-live="assertive">{title}</Now>
      {leftMs !== null ? (
        <Left $over={due} role="timer" aria-label={due ? `due ${countdown(leftMs)} ago` : `${countdown(leftMs)} left`}>
          {due ? '+' : ''}
          {countdown(leftMs)}
        </Left>
      ) : (
        <Left $over={false} as="p">
          {now ? 'now' : ''}
        </Left>
      )}
      {caution ? <Caution role="alert">{caution}</Caution> : null}
      <Detail>{detail}</Detail>
    </div>
  );
}
