import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { Plan } from '../api/client';
import { useClock } from '../dish/useClock';
import { hhmm } from '../supper/time';
import { Quiet } from '../ui/layout';

const Says = styled(Quiet)`
  padding: 0 4px;
`;

/** The race and the ways come first. */
const AFTER_MS = 4000;

/** A dish's own table time is the supper of one: when to begin. */
export function Begins({ plan }: { plan: Plan }) {
  const [quiet, setQuiet] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setQuiet(true), AFTER_MS);
    return () => clearTimeout(timer);
  }, []);
  const data = useClock(plan, quiet && plan.tableTime !== undefined);
  if (!data || plan.tableTime === undefined) return null;
  const first = data.tasks.find((t) => t.hands > 0);
  return (
    <Says>
      To be on the table at {hhmm(data.serveAt)}, begin at <b>{hhmm(data.startAt)}</b>: {first?.says.toLowerCase()}.{' '}
      <Link to="/supper">With other dishes it is a supper.</Link>
    </Says>
  );
}
