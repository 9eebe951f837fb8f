import { useQueryClient } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import type { Catalog, Plan } from '../api/client';
import { deletePlan, restorePlan } from '../api/queries';
import { minutes } from '../format/units';
import { Button, PlainButton } from '../ui/Button';
import { complain, say } from '../ui/toast';
import { NewDish } from './NewDish';
import { foodWords } from '../dish/foodWords';
import { totalOf } from './program';

const Shelf = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 10px;
`;

const Item = styled.li<{ $here: boolean }>`
  display: flex;
  align-items: center;
  background: var(--surface);
  border: 2px solid ${(p) => (p.$here ? 'var(--ink)' : 'transparent')};
  border-radius: 14px;
  min-height: 72px;
  a {
    flex: 1;
    min-width: 0;
    padding: 11px 4px 11px 13px;
    text-decoration: none;
    display: grid;
    gap: 2px;
  }
  small {
    color: var(--quiet);
    font-size: 14px;
  }
  strong {
    font-weight: 600;
    line-height: 1.25;
  }
`;

const Away = styled(PlainButton)`
  min-width: 44px;
  min-height: 44px;
  color: var(--quiet);
`;

const Heading = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  flex-wrap: wrap;
  gap: 6px 16px;
  margin: 22px 0 8px;
  h2 {
    font-size: 18px;
  }
`;

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 16px;
`;

const Others = styled(Button)`
  margin-top: 10px;
`;

interface Props {
  plans: Plan[];
  here: Plan;
  catalog: Catalog;
}

/** How many dishes stand there before the others are asked for. */
const FIRST = 3;

/** All dishes, the latest changed first. */
export function Dishes({ plans, here, catalog }: Props) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [all, setAll] = useState(false);
  const shown = all ? plans : plans.filter((p, k) => k < FIRST || p.id === here.id);
  const remove = async (plan: Plan) => {
    try {
      await deletePlan(plan.id);
      const rest = plans.filter((p) => p.id !== plan.id);
      queries.setQueryData<Plan[]>(['plans'], rest);
      if (plan.id === here.id) await navigate(rest[0] ? `/plan/${rest[0].id}` : '/plan');
      say(`${plan.name} is put aside.`, {
        label: 'Bring it back',
        run: () => {
          restorePlan(plan.id).then(
            (back) => queries.setQueryData<Plan[]>(['plans'], (all) => [back, ...(all ?? [])]),
            (cause: unknown) => complain(cause),
          );
        },
      });
    } catch (cause) {
      complain(cause);
    }
  };
  return (
    <section aria-labelledby="dishes" className="no-print">
      <Heading>
        <h2 id="dishes">Your dishes</h2>
        <Row>
          <Link to={`/recipe/${here.id}`}>This one as a recipe</Link>
          <Link to="/bring">A recipe from elsewhere</Link>
          <NewDish catalog={catalog} fryerId={here.fryerId} />
        </Row>
      </Heading>
      <Shelf>
        {shown.map((p) => {
          return (
            <Item key={p.id} $here={p.id === here.id}>
              <Link to={`/plan/${p.id}`} aria-current={p.id === here.id ? 'page' : undefined}>
                <strong>{p.name}</strong>
                <small>
                  {foodWords(p, catalog)} · {minutes(totalOf(p.program))} min
                </small>
              </Link>
              <Away aria-label={`Delete ${p.name}`} onPress={() => void remove(p)}>
                <Trash2 size={17} aria-hidden />
              </Away>
            </Item>
          );
        })}
      </Shelf>
      {plans.length > shown.length || all ? (
        <Others aria-expanded={all} onPress={() => setAll(!all)}>
          {all ? 'Only the latest' : `All ${plans.length} dishes`}
        </Others>
      ) : null}
    </section>
  );
}
