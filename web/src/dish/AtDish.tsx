import { useEffect, type ComponentType } from 'react';
import { Link, useParams } from 'react-router';
import type { Catalog, Plan, Schemas, Settings } from '../api/client';
import { useCatalog, usePantry, usePlans, useSettings } from '../api/queries';
import { useLatest } from '../plan/useLatest';
import { Button } from '../ui/Button';
import { Blank, Page, Quiet } from '../ui/layout';

export interface AtDishProps {
  plan: Plan;
  plans: Plan[];
  catalog: Catalog;
  settings: Settings;
  pantry: Schemas['Ingredient'][];
}

interface Props {
  /** The page's name, which is its address, too. */
  view: string;
  waits: string;
  /** What it works from, where there is no dish yet. */
  worksFrom: string;
  page: ComponentType<AtDishProps>;
}

/** Finds the dish of the address, or the latest, for a page about one. */
export function AtDish({ view, waits, worksFrom, page: One }: Props) {
  const { id } = useParams();
  const plans = usePlans();
  const catalog = useCatalog();
  const settings = useSettings();
  const pantry = usePantry();
  const latest = useLatest(plans.data);
  const here = id ?? latest;
  const address = `/${view.toLowerCase()}`;
  useEffect(() => {
    document.title = `${view} · Velocrustum`;
  }, [view]);
  const all = [plans, catalog, settings, pantry];
  const failed = all.find((q) => q.isError && q.data === undefined);
  if (failed)
    return (
      <Page>
        <Blank title={`The ${view.toLowerCase()} could not be had`}>
          <Quiet>{failed.error.message} Everything saved is still there.</Quiet>
          <Button onPress={() => all.forEach((q) => void q.refetch())}>Try again</Button>
        </Blank>
      </Page>
    );
  if (!plans.data || !catalog.data || !settings.data || !pantry.data)
    return (
      <Page>
        <Quiet role="status">{waits}</Quiet>
      </Page>
    );
  const plan = plans.data.find((p) => p.id === here);
  const some = plans.data.length > 0;
  if (!plan)
    return (
      <Page>
        <Blank title={`No dish at the ${view.toLowerCase()}`}>
          <Quiet>{some ? 'It may have been deleted on another device.' : `Plan one first: ${worksFrom}`}</Quiet>
          <Link to={some ? address : '/plan'}>{some ? 'To the latest dish' : 'To the plan'}</Link>
        </Blank>
      </Page>
    );
  return (
    <One
      key={plan.id}
      plan={plan}
      plans={plans.data}
      catalog={catalog.data}
      settings={settings.data}
      pantry={pantry.data.ingredients}
    />
  );
}
