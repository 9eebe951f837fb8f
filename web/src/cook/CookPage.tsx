import { useEffect } from 'react';
import { useCatalog, useLiveCook, useSettings } from '../api/queries';
import { Blank, Page, Quiet } from '../ui/layout';
import { Begin } from './Begin';
import { Live } from './Live';
import { useAnswers } from './useTelling';

const Dark = () => {
  useEffect(() => {
    document.body.classList.add('night');
    document.title = 'Cook · Velocrustum';
    return () => document.body.classList.remove('night');
  }, []);
  return null;
};

/** The live cook, or which dish to begin. */
export default function CookPage() {
  const live = useLiveCook(2000);
  useAnswers();
  const settings = useSettings();
  const catalog = useCatalog();
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
  const { cook } = live.data;
  return (
    <Page>
      <Dark />
      {!cook ? (
        <Begin />
      ) : settings.data && catalog.data ? (
        <Live
          cook={cook}
          catalog={catalog.data}
          settings={settings.data}
          skewMs={live.data.skewMs}
          clockOffMin={live.data.clockOffMin}
          stale={live.isError}
        />
      ) : null}
    </Page>
  );
}
