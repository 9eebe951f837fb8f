import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { place } from '../api/place';
import { showCode, takeDeviceBack, useAccess } from '../api/queries';
import { clock, day } from '../format/units';
import { Button } from '../ui/Button';
import { Stays } from './Stays';
import { Card, Page, Quiet, Title } from '../ui/layout';
import { complain, say } from '../ui/toast';
import { Archive } from './Archive';
import { HouseholdSentence } from './HouseholdSettings';
import { lookAround } from './demo';

const Columns = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 340px), 1fr));
  gap: 16px;
  align-items: start;
  margin-top: 12px;
`;

const Block = styled(Card)`
  display: grid;
  gap: 12px;
  h2 {
    font-size: 19px;
  }
`;

// Scanners want dark on light, whatever the theme.
const Code = styled.svg`
  width: min(100%, 280px);
  background: var(--code-paper);
  border-radius: 10px;
`;

const Codes = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`;

const Devices = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
  li {
    display: flex;
    align-items: center;
    gap: 10px;
  }
  span {
    flex: 1;
    min-width: 0;
  }
  small {
    display: block;
    color: var(--quiet);
    font-size: 14px;
  }
`;

type Shown = Schemas['PairingCode'];

// A code without quiet around it is not found.
const QUIET = 4;

function Phones() {
  const access = useAccess();
  const queries = useQueryClient();
  const [shown, setShown] = useState<Shown | null>(null);
  const again = () => queries.invalidateQueries({ queryKey: ['access'] });
  const show = (guest: boolean) => showCode(guest).then(setShown, complain);
  const out = (d: Schemas['Device']) =>
    takeDeviceBack(d.id).then(() => {
      say(`${d.name} is let in no more.`);
      return again();
    }, complain);
  return (
    <Block aria-labelledby="phones">
      <h2 id="phones">A phone on the counter</h2>
      {access.isError ? <Quiet>{access.error.message}</Quiet> : null}
      {access.data && !access.data.url ? (
        <Quiet>
          The kitchen computer answers itself alone. Started with <code>velocrustum serve --lan</code> it is on the home
          network as well, and shows a code here that lets a phone in.
        </Quiet>
      ) : null}
      {access.data?.url ? (
        <>
          <Quiet>
            On the home network it is at <b>{access.data.url}</b>, with the passphrase that it was started with. A phone
            that scans a code needs no passphrase, and can be taken back here.
          </Quiet>
          {shown ? (
            <>
              <Code
                viewBox={`${-QUIET} ${-QUIET} ${shown.size + 2 * QUIET} ${shown.size + 2 * QUIET}`}
                role="img"
                aria-label={`Code of ${shown.url}`}
                shapeRendering="crispEdges"
              >
                <path d={shown.path} fill="var(--code-ink)" />
              </Code>
              <Quiet role="status">It lets one phone in, until {clock(shown.until)}.</Quiet>
            </>
          ) : null}
          <Codes>
            <Button onPress={() => void show(false)}>{shown ? 'Show another code' : 'Show a code to scan'}</Button>
            <Button onPress={() => void show(true)}>A code for a guest</Button>
          </Codes>
          <Quiet>
            A phone of the household may do all that this page can. A guest’s follows what is cooked now and says what
            is done in it, and nothing else.
          </Quiet>
        </>
      ) : null}
      {access.data && access.data.devices.length > 0 ? (
        <Devices aria-label="Phones that were let in">
          {access.data.devices.map((d) => (
            <li key={d.id}>
              <span>
                {d.name}
                <small>
                  {d.guest ? 'a guest’s, ' : ''}
                  let in {day(d.pairedAt)}, last here {day(d.seenAt)}
                </small>
              </span>
              <Button onPress={() => void out(d)}>Take it back</Button>
            </li>
          ))}
        </Devices>
      ) : null}
      <Quiet>
        A screen stays awake in a live cook where the browser lets a page do so by itself: on this machine, and under an
        https address. Elsewhere a video without sound plays unseen from the first tap on, which keeps most screens
        awake; where it does not, the phone’s own setting has to.
      </Quiet>
    </Block>
  );
}

/** What stays of a household: how it reads and what counts as safe, which phones are in, a made-up one to look at. */
export default function HouseholdPage() {
  useEffect(() => {
    document.title = 'Household · Velocrustum';
  }, []);
  return (
    <Page>
      <Stays />
      <Title className="quietly">Household</Title>
      <HouseholdSentence />
      <Columns>
        <Block aria-labelledby="archive">
          <h2 id="archive">All of it, out and in</h2>
          <Archive />
        </Block>
        {place ? null : (
          <>
            <Phones />
            <Block aria-labelledby="demo">
              <h2 id="demo">A household to look around in</h2>
              <Quiet>
                Sixteen dishes, three fryers and an autumn of cooks, all made up. Change what you like there: nothing of
                it comes over to yours, and it is gone when you leave.
              </Quiet>
              <div>
                <Button onPress={lookAround}>Look around</Button>
              </div>
            </Block>
          </>
        )}
      </Columns>
    </Page>
  );
}
