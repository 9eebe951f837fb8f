import { foodWords } from '../dish/foodWords';
import { ArrowLeft } from 'lucide-react';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import type { CookEntry } from '../api/client';
import { useCatalog, useCook, useSettings } from '../api/queries';
import { clock, day, unitsOf } from '../format/units';
import { Blank, Page, Quiet } from '../ui/layout';
import { AsItHappened } from './AsItHappened';
import { EntryHead } from './EntryHead';
import { loadedAt, minutesIn, PlannedAndHappened, WhatWasSaid } from './EntryTables';
import { HowItCameOut } from './HowItCameOut';
import { Inside, insideOf } from './Inside';
import { NextTime } from './NextTime';
import { NotShown } from './NotShown';
import { Columns, Stack } from './parts';
import { Pictures } from './Pictures';
import { Tables } from './Tables';
import { Taught } from './Taught';

/** One finished cook: planned beside happened, and how it came out. */
export default function EntryPage() {
  const { id = '' } = useParams();
  const cook = useCook(id);
  useEffect(() => {
    document.title = 'Logbook · Velocrustum';
  }, []);
  if (cook.isError && cook.data === undefined)
    return (
      <Page>
        <Blank title="This cook is not in the logbook">
          <Quiet>It may have been deleted on another device.</Quiet>
          <Link to="/logbook">To the logbook</Link>
        </Blank>
      </Page>
    );
  if (!cook.data)
    return (
      <Page>
        <Quiet role="status">Opening it…</Quiet>
      </Page>
    );
  return <Entry key={id} cook={cook.data} />;
}

function Entry({ cook }: { cook: CookEntry }) {
  const settings = useSettings().data;
  const catalog = useCatalog().data;
  const units = unitsOf(settings ?? { temperature: 'C', mass: 'g' });
  const loaded = loadedAt(cook);
  const actual = minutesIn(cook);

  return (
    <Page>
      <p>
        <Link to="/logbook">
          <ArrowLeft size={15} aria-hidden /> Logbook
        </Link>
      </p>
      <EntryHead cook={cook} />
      <Quiet>
        {day(cook.startedAt)}, {clock(cook.startedAt)} · {catalog ? foodWords(cook.plan, catalog) : ''} of{' '}
        {cook.plan.lots.map((lot) => units.mass(lot.load.pieceMassG)).join(' and ')} · {cook.fryer.name}
        {cook.baskets > 1 ? ` · basket ${cook.basket} of ${cook.baskets}` : ''}
      </Quiet>
      <Columns>
        <Stack>
          {actual !== null && catalog ? <AsItHappened cook={cook} catalog={catalog} units={units} /> : null}
          {actual !== null ? <Inside cook={insideOf(cook, actual)} units={units} /> : null}
          <PlannedAndHappened cook={cook} units={units} />
        </Stack>
        <Stack>
          {loaded === null ? null : <NotShown shown={cook.shown} what={cook.name} />}
          <HowItCameOut cook={cook} />
          <Taught cook={cook} />
          <Pictures cook={cook.id} name={cook.name} pictures={cook.pictures} />
          <NextTime cook={cook} />
          <WhatWasSaid cook={cook} units={units} />
          {loaded === null ? null : <Tables id={cook.id} lots={(cook.forecast.lots ?? []).map((lot) => lot.name)} />}
        </Stack>
      </Columns>
    </Page>
  );
}
