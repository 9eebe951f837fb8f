import { type Run } from '../ui/history';
import styled from 'styled-components';
import { at, type } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Card, Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { Part } from '../ui/sentence';
import { moves } from './LaneTask';
import { When } from './When';
import { fromField, hhmm, isMoment, toField } from './time';
import type { Sheet } from './useSupper';

export const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 336px;
  gap: 16px;
  align-items: start;
  ${at.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

export const Stack = styled(Card)`
  display: grid;
  gap: 10px;
  align-content: start;
  h2 {
    font-size: 18px;
  }
`;

const Clock = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  columns: 2 360px;
  column-gap: 34px;
  li {
    display: grid;
    grid-template-columns: 62px 1fr;
    gap: 8px;
    padding: 5px 0;
    border-top: 1px solid var(--line);
    break-inside: avoid;
  }
  b,
  li > button {
    font: 700 16px/1.4 ${type.loud};
    text-decoration-thickness: 2px;
    text-underline-offset: 4px;
    min-height: 24px;
    justify-self: start;
  }
`;

/** All that hands do, by the clock; what may be held to a moment has its time as a choice. */
export function List({
  sheet,
  pin,
}: {
  sheet: Sheet;
  pin: (run: Run, task: string, start: string | undefined) => void;
}) {
  const several = sheet.tasks.some((t) => (t.who ?? 0) > 1);
  const lines = sheet.clock ?? [];
  const offset = (k: number) => new Date(lines[k]?.at ?? 0).getTimezoneOffset();
  return (
    <Stack aria-label="By the clock">
      <h2>By the clock</h2>
      <Clock>
        {lines.map((l, k) => {
          const t = sheet.tasks.find((one) => one.id === l.task);
          const shifts = k > 0 ? offset(k) - offset(k - 1) : 0;
          return (
            <li key={l.task}>
              {shifts !== 0 ? (
                <em style={{ gridColumn: '1 / -1' }}>The clocks go {shifts > 0 ? 'back' : 'on'} an hour here.</em>
              ) : null}
              {t && l.who && moves.has(t.kind) ? <Held task={t} pin={pin} /> : <b>{hhmm(l.at)}</b>}
              <span>
                {l.says}
                {l.who ? (several ? ` (hands ${l.who})` : '') : `, until ${hhmm(l.until)}`}
                {t?.pin ? <Quiet as="span"> held</Quiet> : null}
              </span>
            </li>
          );
        })}
      </Clock>
    </Stack>
  );
}

/** The time of what may be held to a moment. */
function Held({
  task: t,
  pin,
}: {
  task: Sheet['tasks'][number];
  pin: (run: Run, task: string, start: string | undefined) => void;
}) {
  return (
    <Pop
      title={t.says}
      body={(close) => (
        <>
          <When
            type="datetime-local"
            aria-label="Begin it at"
            value={toField(t.start)}
            onChange={(e) => {
              if (isMoment(e.target.value)) pin(`pin ${t.id}`, t.id, fromField(e.target.value));
            }}
          />
          {t.pin ? (
            <Button
              onPress={() => {
                pin(`unpin ${t.id}`, t.id, undefined);
                close();
              }}
            >
              Let it go
            </Button>
          ) : null}
        </>
      )}
    >
      <Part aria-label={`${hhmm(t.start)}, hold ${t.says} to a moment`}>{hhmm(t.start)}</Part>
    </Pop>
  );
}

/** All that is bought, and what stands ready when. */
export function Bought({ sheet }: { sheet: Sheet }) {
  return (
    <Two>
      <Stack aria-label="Shopping">
        <h2>Shopping</h2>
        <Clock as="ul">
          {sheet.shopping.map((n) => (
            <li key={`${n.name}${n.for}`} style={{ gridTemplateColumns: '1fr' }}>
              <span>
                <b>{n.name}</b>: {n.says} <Quiet as="span">({n.for})</Quiet>
              </span>
            </li>
          ))}
        </Clock>
      </Stack>
      <Stack aria-label="On the counter">
        <h2>On the counter</h2>
        <Clock style={{ columns: 1 }}>
          {sheet.counter.map((c) => (
            <li key={`${c.at}${c.says}`}>
              <b>{hhmm(c.at)}</b>
              <span>{c.says}</span>
            </li>
          ))}
        </Clock>
      </Stack>
    </Two>
  );
}
