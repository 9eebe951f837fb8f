import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { Plan } from '../api/client';
import { useSettings, workSheet } from '../api/queries';
import { Quiet } from '../ui/layout';
import { fromField, hhmm, toField } from '../supper/time';

const Says = styled(Quiet)`
  padding: 0 4px;
`;

/** The race and the ways come first. */
const AFTER_MS = 4000;

/** The next moment at which a clock shows a time. */
function next(time: string): string {
  const [h = 0, m = 0] = time.split(':').map(Number);
  const at = new Date();
  at.setHours(h, m, 0, 0);
  if (at.getTime() < Date.now()) at.setDate(at.getDate() + 1);
  return fromField(toField(at.toISOString()));
}

/** A dish's own table time is the supper of one: when to begin. */
export function Begins({ plan }: { plan: Plan }) {
  const units = useSettings().data;
  const [quiet, setQuiet] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setQuiet(true), AFTER_MS);
    return () => clearTimeout(timer);
  }, []);
  const { data } = useQuery({
    queryKey: ['begins', plan.id, plan.version, plan.tableTime, units?.temperature],
    queryFn: ({ signal }) =>
      workSheet(
        {
          serveAt: next(plan.tableTime ?? ''),
          people: 2,
          hands: 1,
          hobs: 2,
          warmC: 0,
          dishes: [{ planId: plan.id }],
        },
        signal,
      ),
    enabled: quiet && plan.tableTime !== undefined,
    retry: false,
  });
  if (!data || plan.tableTime === undefined) return null;
  const first = data.tasks.find((t) => t.hands > 0);
  return (
    <Says>
      To be on the table at {hhmm(data.serveAt)}, begin at <b>{hhmm(data.startAt)}</b>: {first?.says.toLowerCase()}.{' '}
      <Link to="/supper">With other dishes it is a supper.</Link>
    </Says>
  );
}
