import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { Volume2, VolumeX } from 'lucide-react';
import { useAtTheStove } from '../api/live';
import { useCatalog, useSettings } from '../api/queries';
import { Button } from '../ui/Button';
import { Blank, Card, Page, Quiet } from '../ui/layout';
import { Begin } from './Begin';
import { Live } from './Live';
import { LiveSupper } from './LiveSupper';
import { Places } from './Places';
import { useVoice } from './useCalling';
import { useAnswers } from './useTelling';

const Below = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-top: 16px;
`;

const Dark = () => {
  useEffect(() => {
    document.body.classList.add('night');
    document.title = 'Cook · Velocrustum';
    return () => document.body.classList.remove('night');
  }, []);
  return null;
};

interface Ended {
  name: string;
  to: string;
}

/** What this page followed, once it is over: also where another device ended it. */
function useOver(on: ReturnType<typeof useAtTheStove>['data']): Ended | null {
  const [was, setWas] = useState<Ended | null>(null);
  const evening = on?.evening;
  const cook = on?.cook;
  const now = evening
    ? { name: evening.name, to: `/logbook/evening/${evening.id}` }
    : cook
      ? { name: cook.name, to: `/logbook/${cook.id}` }
      : null;
  if (now && now.to !== was?.to) setWas(now);
  return now || !on ? null : was;
}

/** Says that it is over, and where it is kept. */
function Over({ name, to }: Ended) {
  return (
    <Card role="status" aria-label="It is over">
      <h2>{name} is over</h2>
      <Link to={to}>How it came out</Link>
    </Card>
  );
}

/** What is cooked now, or what to begin. */
export default function CookPage() {
  const live = useAtTheStove();
  useAnswers();
  const settings = useSettings();
  const catalog = useCatalog();
  const [can, voice, setVoice] = useVoice();
  const [more, setMore] = useState(false);
  const over = useOver(live.data);
  if (live.isPending)
    return (
      <Page>
        <Dark />
        <Quiet role="status">Looking what is on…</Quiet>
      </Page>
    );
  if (!live.data)
    return (
      <Page>
        <Dark />
        <Blank title="The kitchen computer does not answer">
          <Quiet>The cook goes on and its clock with it. This page tries again by itself.</Quiet>
        </Blank>
      </Page>
    );
  const { cook, evening, beside, clockOffMin, ticking } = live.data;
  const known =
    settings.data && catalog.data ? { settings: settings.data, catalog: catalog.data, ticking, voice } : null;
  return (
    <Page>
      <Dark />
      {live.isError && !live.hears ? <Quiet role="status">No connection: the clock goes on.</Quiet> : null}
      {clockOffMin ? (
        <Quiet role="status">
          The kitchen computer’s clock was set {clockOffMin > 0 ? 'forward' : 'back'} by {Math.abs(clockOffMin)} minutes
          while this cook goes on. The cook goes on by its own count; times of day follow the clock as it was.
        </Quiet>
      ) : null}
      {beside ? <Places beside={beside} ticking={ticking} /> : null}
      {evening && known ? (
        <LiveSupper key={evening.id} evening={evening} {...known} />
      ) : cook && known ? (
        <Live key={cook.id} cook={cook} {...known} />
      ) : !cook && !evening ? (
        <>
          {over ? <Over {...over} /> : null}
          <Begin nowMs={ticking.nowMs} />
        </>
      ) : null}
      <Below>
        {cook && !more ? (
          <Button style={{ minHeight: 48 }} onPress={() => setMore(true)}>
            Begin another beside it
          </Button>
        ) : null}
        {(cook ?? evening) && can ? (
          <Button style={{ minHeight: 48 }} aria-pressed={voice} onPress={() => setVoice(!voice)}>
            {voice ? <Volume2 size={18} aria-hidden /> : <VolumeX size={18} aria-hidden />}
            {voice ? 'It is spoken, too' : 'Speak what is due'}
          </Button>
        ) : null}
      </Below>
      {cook && more ? <Begin nowMs={ticking.nowMs} beside close={() => setMore(false)} /> : null}
    </Page>
  );
}
