import styled from 'styled-components';
import { at, type } from '../theme/tokens';
import { Button } from '../ui/Button';
import { numberWord } from '../format/numbers';
import { Fold } from '../ui/Fold';
import { Card, Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { Part } from '../ui/sentence';
import { moves, type Pin } from './LaneTask';
import { When } from './When';
import { at as moment, fromField, hhmm, isMoment, toField } from './time';
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
    display: inline;
    font-size: 18px;
  }
  details[open] > summary > span {
    display: none;
  }
  summary b {
    font: 700 16px/1.4 ${type.loud};
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
  small {
    display: block;
    color: var(--quiet);
    font-size: 14px;
  }
`;

/** Hands that are free for so long end a stretch of the evening. */
const FREE = 8 * 60_000;

type Line = NonNullable<Sheet['clock']>[number];

/** The evening in stretches between which hands are free. */
function stretches(lines: Line[]): Line[][] {
  const out: Line[][] = [];
  let busy = -Infinity;
  for (const l of lines) {
    const from = moment(l.at);
    const last = out.at(-1);
    if (last && (from - busy < FREE || !l.who)) last.push(l);
    else out.push([l]);
    if (l.who) busy = Math.max(busy, moment(l.until));
  }
  return out;
}

/**
 * All that is done, by the clock, and what stands on the counter for it; what may be held to a moment has its time
 * as a choice. The first stretch is open, the others are a line each.
 */
export function List({ sheet, pin }: { sheet: Sheet; pin: Pin }) {
  const several = sheet.tasks.some((t) => (t.who ?? 0) > 1);
  const lines = sheet.clock ?? [];
  const offset = (l: Line | undefined) => new Date(l?.at ?? 0).getTimezoneOffset();
  const before = (l: Line) => lines[lines.indexOf(l) - 1];
  return (
    <Stack aria-label="By the clock">
      <h2>By the clock</h2>
      {stretches(lines).map((all, n) => (
        <Fold key={all[0]?.task} open={n === 0}>
          <summary>
            <b>{hhmm(all[0]?.at ?? 0)}</b>{' '}
            <span>
              {all[0]?.says}
              {all.length > 1 ? `, and ${all.length - 1} more` : ''}
            </span>
            {all.length > 1 ? ` until ${hhmm(all.at(-1)?.until ?? 0)}` : ''}
          </summary>
          <Clock>
            {all.map((l) => {
              const t = sheet.tasks.find((one) => one.id === l.task);
              const prior = before(l);
              const shifts = prior ? offset(l) - offset(prior) : 0;
              const out = sheet.counter.filter(
                (c, i) => c.at === l.at && l.who && sheet.counter.findIndex((o) => o.says === c.says) === i,
              );
              const first = all.find((o) => o.at === l.at && o.who) === l;
              return (
                <li key={l.task}>
                  {shifts !== 0 ? (
                    <em style={{ gridColumn: '1 / -1' }}>The clocks go {shifts > 0 ? 'back' : 'on'} an hour here.</em>
                  ) : null}
                  {t && l.who && moves(t) ? <Held task={t} pin={pin} /> : <b>{hhmm(l.at)}</b>}
                  <span>
                    {l.says}
                    {l.who ? (several ? ` (hands ${l.who})` : '') : `, until ${hhmm(l.until)}`}
                    {t?.pin ? <Quiet as="span"> held</Quiet> : null}
                    {first ? out.map((c) => <small key={c.says}>{c.says}</small>) : null}
                  </span>
                </li>
              );
            })}
          </Clock>
        </Fold>
      ))}
    </Stack>
  );
}

/** The time of what may be held to a moment. */
function Held({ task: t, pin }: { task: Sheet['tasks'][number]; pin: Pin }) {
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

/** All that is bought. */
export function Bought({ sheet }: { sheet: Sheet }) {
  return (
    <Stack aria-label="Shopping">
      <Fold>
        <summary>
          <h2>Shopping: {sheet.shopping.length === 1 ? 'one thing' : `${numberWord(sheet.shopping.length)} things`}</h2>
        </summary>
        <Clock as="ul">
          {sheet.shopping.map((n) => (
            <li key={`${n.name}${n.for}`} style={{ gridTemplateColumns: '1fr' }}>
              <span>
                <b>{n.name}</b>: {n.says} <Quiet as="span">({n.for})</Quiet>
              </span>
            </li>
          ))}
        </Clock>
      </Fold>
    </Stack>
  );
}
