import { useEffect } from 'react';
import { useParams } from 'react-router';
import { useCatalog, useFryers, usePlans, useSettings } from '../api/queries';
import { Button } from '../ui/Button';
import { Blank, Page, Quiet } from '../ui/layout';
import { NewDish } from './NewDish';
import { PlanBench } from './PlanBench';
import { useLatest } from './useLatest';

/** Finds the plan of the address, or the latest. */
export default function PlanPage() {
  const { id } = useParams();
  const plans = usePlans();
  const fryers = useFryers();
  const catalog = useCatalog();
  const settings = useSettings();
  // Without an address it is the latest dish, and stays that one.
  const latest = useLatest(plans.data);
  const here = id ?? latest;
  useEffect(() => {
    document.title = 'Plan · Velocrustum';
  }, []);
  const failed = [plans, fryers, catalog, settings].find((q) => q.isError && q.data === undefined);
  if (failed)
    return (
      <Page>
        <Blank title="The plans could not be had">
          <Quiet>{failed.error.message} Everything saved is still there.</Quiet>
          <Button onPress={() => [plans, fryers, catalog, settings].forEach((q) => void q.refetch())}>Try again</Button>
        </Blank>
      </Page>
    );
  if (!plans.data || !fryers.data || !catalog.data || !settings.data)
    return (
      <Page>
        <Quiet role="status">Getting your dishes…</Quiet>
      </Page>
    );
  const fryer = fryers.data[0];
  const plan = plans.data.find((p) => p.id === here);
  if (plan && fryer)
    return (
      <PlanBench
        key={plan.id}
        plan={plan}
        plans={plans.data}
        fryers={fryers.data}
        catalog={catalog.data}
        settings={settings.data}
      />
    );
  return (
    <Page>
      <Blank title={id ? 'This dish is not here any more' : 'What have you got tonight?'}>
        <Quiet>
          {id
            ? 'It may have been deleted on another device. Your other dishes are kept.'
            : 'Say what goes in the basket, and see when it will be crisp and safe, and why.'}
        </Quiet>
        {fryer ? <NewDish catalog={catalog.data} fryerId={fryer.id} /> : null}
      </Blank>
    </Page>
  );
}
