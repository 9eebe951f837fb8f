import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { shownCook, useShowCook, type Ticking } from '../api/live';
import { at, type } from '../theme/tokens';
import { Button } from '../ui/Button';
import { countdown } from './Countdown';
import { useClock } from './useClock';

const Row = styled.ul`
  list-style: none;
  margin: 0 0 16px;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(250px, 1fr));
  gap: 10px;
  ${at.phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Place = styled(Button)<{ $shown: boolean; $due: boolean }>`
  width: 100%;
  min-height: 76px;
  padding: 10px 16px;
  border-radius: 16px;
  border: 2px solid ${(p) => (p.$shown ? 'var(--lemon)' : 'transparent')};
  background: var(--surface);
  color: var(--ink);
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 14px;
  text-align: start;
  small {
    grid-column: 1;
    font-size: 16px;
    font-weight: 400;
    color: var(--quiet);
  }
  b {
    grid-row: 1 / span 2;
    grid-column: 2;
    align-self: center;
    font: 700 30px/1 ${type.loud};
    font-stretch: 86%;
    color: ${(p) => (p.$due ? 'var(--overdue)' : 'var(--lemon)')};
  }
`;

interface Props {
  beside: Schemas['CookBeside'][];
  ticking: Ticking;
}

/** The cooks that go on at once: what is due of each, and which this device shows. */
export function Places({ beside, ticking }: Props) {
  const now = useClock(ticking);
  const show = useShowCook();
  const pinned = beside.some((c) => c.id === shownCook());
  return (
    <>
      <Row aria-label="What goes on at once">
        {beside.map((c) => {
          const left = c.step.until ? Date.parse(c.step.until) - now : 0;
          return (
            <li key={c.id}>
              <Place $shown={c.shown} $due={left <= 0} aria-pressed={c.shown} onPress={() => show(c.id)}>
                {c.place} · {c.name}
                <small>{c.step.title}</small>
                <b>{left <= 0 ? 'now' : countdown(left)}</b>
              </Place>
            </li>
          );
        })}
      </Row>
      {pinned ? (
        <Button style={{ marginBottom: 14, minHeight: 48 }} onPress={() => show('')}>
          Show what is due first
        </Button>
      ) : null}
    </>
  );
}
