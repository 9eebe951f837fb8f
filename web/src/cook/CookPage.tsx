import { useEffect } from 'react';
import { Volume2, VolumeX } from 'lucide-react';
import { useAtTheStove } from '../api/live';
import { useCatalog, useSettings } from '../api/queries';
import { Button } from '../ui/Button';
import { Blank, Page, Quiet } from '../ui/layout';
import { Begin } from './Begin';
import { Live } from './Live';
import { LiveSupper } from './LiveSupper';
import { useVoice } from './useCalling';
import { useAnswers } from './useTelling';

const Dark = () => {
  useEffect(() => {
    document.body.classList.add('night');
    document.title = 'Cook · Velocrustum';
    return () => document.body.classList.remove('night');
  }, []);
  return null;
};

/** What is cooked now, or what to begin. */
export default function CookPage() {
  const live = useAtTheStove();
  useAnswers();
  const settings = useSettings();
  const catalog = useCatalog();
  const [can, voice, setVoice] = useVoice();
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
  const { cook, evening, clockOffMin, ticking } = live.data;
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
      {evening && known ? (
        <LiveSupper key={evening.id} evening={evening} {...known} />
      ) : cook && known ? (
        <Live key={cook.id} cook={cook} {...known} />
      ) : !cook && !evening ? (
        <Begin nowMs={ticking.nowMs} />
      ) : null}
      {(cook ?? evening) && can ? (
        <Button style={{ marginTop: 16, minHeight: 48 }} aria-pressed={voice} onPress={() => setVoice(!voice)}>
          {voice ? <Volume2 size={18} aria-hidden /> : <VolumeX size={18} aria-hidden />}
          {voice ? 'It is spoken, too' : 'Speak what is due'}
        </Button>
      ) : null}
    </Page>
  );
}
