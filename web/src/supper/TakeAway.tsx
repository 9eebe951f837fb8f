import { useQueryClient } from '@tanstack/react-query';
import { CalendarDays, Printer, ScrollText } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { beginEvening } from '../api/live';
import { place } from '../api/place';
import { workSheet } from '../api/queries';
import { Caution } from '../bench/StationCard';
import { readyChime } from '../cook/chime';
import { at } from '../theme/tokens';
import { Button, ButtonLink, MainButton } from '../ui/Button';
import { Quiet } from '../ui/layout';
import { complain } from '../ui/toast';
import { Stack } from './ByTheClock';
import { fromField, hhmm, putOff, toField } from './time';
import type { Draft, Evening, Sheet } from './useSupper';

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  a {
    text-decoration: none;
  }
`;

// On a phone it is what the first screen holds.
const First = styled(Stack)`
  ${at.narrow} {
    order: -1;
  }
`;

interface Props {
  id: string;
  supper: Draft;
  sheet: Sheet;
  /** Puts the table off to a moment. */
  later: (serveAt: string) => void;
  copy: () => void;
  forget: () => void;
}

/** What is first, how sure the table is, and to be led through it. */
export function Next({ id, sheet }: Pick<Props, 'id' | 'sheet'>) {
  return (
    <First aria-label="What is first">
      <h2 className="no-print">
        {hhmm(sheet.startAt)} {sheet.tasks.find((t) => t.hands > 0)?.says}
      </h2>
      <Quiet>{sheet.chanceSays}</Quiet>
      <Row className="no-print">
        <Lead id={id} />
      </Row>
      {sheet.cautions.map((c) => (
        <Caution key={c}>{c}</Caution>
      ))}
    </First>
  );
}

/** All that leaves the page, and the same evening at another time. */
export function TakeAway({ id, supper, later, copy, forget }: Omit<Props, 'sheet'>) {
  const file = (what: string) => `${place}/api/v1/suppers/${id}/${what}`;
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  return (
    <Stack aria-label="To take away" className="no-print">
      <Row>
        <Now evening={supper.evening} take={later} />
        <Button onPress={() => window.print()}>
          <Printer size={17} aria-hidden /> Print
        </Button>
        <ButtonLink href={file('calendar')} download={`${supper.name || 'supper'}.ics`}>
          <CalendarDays size={17} aria-hidden /> Calendar
        </ButtonLink>
        <ButtonLink href={file(`list?zone=${zone}`)} download={`${supper.name || 'supper'}.md`}>
          <ScrollText size={17} aria-hidden /> List
        </ButtonLink>
        <Button onPress={copy}>The same in a week</Button>
        <Button onPress={forget}>Put it away</Button>
      </Row>
    </Stack>
  );
}

/** Begins to be led through it, on the page at the stove. */
function Lead({ id }: { id: string }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const begin = async () => {
    readyChime();
    try {
      await beginEvening(id, false);
      await queries.invalidateQueries({ queryKey: ['live'] });
      await navigate('/cook');
    } catch (cause) {
      complain(cause);
    }
  };
  return <MainButton onPress={() => void begin()}>Lead me through it</MainButton>;
}

/** When it would be ready if it were begun now. */
function Now({ evening, take }: { evening: Evening; take: (serveAt: string) => void }) {
  const [ready, setReady] = useState('');
  const ask = async () => {
    const now = fromField(toField(new Date().toISOString()));
    try {
      const got = await workSheet({ ...putOff(evening, now), earliest: now, away: undefined });
      setReady(got.serveAt);
    } catch (cause) {
      complain(cause);
    }
  };
  return (
    <>
      <Button onPress={() => void ask()}>If I began now?</Button>
      {ready ? (
        <span role="status">
          On the table at <b>{hhmm(ready)}</b>.{' '}
          <Button
            onPress={() => {
              take(fromField(toField(ready)));
              setReady('');
            }}
          >
            Then it is
          </Button>
        </span>
      ) : null}
    </>
  );
}
