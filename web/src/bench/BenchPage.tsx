import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { useCatalog, usePantry, usePlans, useSettings } from '../api/queries';
import { useLatest } from '../plan/useLatest';
import { Button } from '../ui/Button';
import { Blank, Page, Quiet } from '../ui/layout';
import { OneBench } from './OneBench';

/** Finds the dish of the address, or the latest. */
export default function BenchPage() {
  const { id } = useParams();
  const plans = usePlans();
  const catalog = useCatalog();
  const settings = useSettings();
  const pantry = usePantry();
  const latest = useLatest(plans.data);
  const here = id ?? latest;
  useEffect(() => {
    document.title = 'Bench · Velocrustum';
  }, []);
  const all = [plans, catalog, settings, pantry];
  const failed = all.find((q) => q.isError);
  if (failed)
    return (
      <Page>
        <Blank title="The bench could not be had">
          <Quiet>{failed.error.message} Everything saved is still there.</Quiet>
          <Button onPress={() => all.forEach((q) => void q.refetch())}>Try again</Button>
        </Blank>
      </Page>
    );
  if (!plans.data || !catalog.data || !settings.data || !pantry.data)
    return (
      <Page>
        <Quiet role="status">Clearing the bench…</Quiet>
      </Page>
    );
  const plan = plans.data.find((p) => p.id === here);
  if (!plan)
    return (
      <Page>
        <Blank title="No dish on the bench">
          <Quiet>
            {plans.data.length > 0
              ? 'It may have been deleted on another device.'
              : 'Plan one first: the bench works from its pieces.'}
          </Quiet>
          <Link to={plans.data.length > 0 ? '/bench' : '/plan'}>
            {plans.data.length > 0 ? 'To the latest dish' : 'To the plan'}
          </Link>
        </Blank>
      </Page>
    );
  return (
    <OneBench
      key={plan.id}
      plan={plan}
      plans={plans.data}
      catalog={catalog.data}
      settings={settings.data}
      pantry={pantry.data.ingredients}
    />
  );
}
