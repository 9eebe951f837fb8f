import { useNavigate } from 'react-router';
import styled from 'styled-components';
import type { Plan } from '../api/client';
import { at } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Heading } from '../ui/layout';
import { Select } from '../ui/Select';
import { DishState } from './DishState';
import type { Dish } from './useDish';

const Head = styled.div`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 8px 12px;
  margin-bottom: 4px;
  > p {
    flex: 1 1 300px;
    ${at.phone} {
      display: none;
    }
  }
  label {
    min-width: 0;
    max-width: 100%;
  }
  select {
    width: auto;
    max-width: 100%;
    font-weight: 600;
  }
`;

interface Props {
  /** Its name, which is its address, too. */
  view: string;
  plan: Plan;
  plans: Plan[];
  dish: Dish;
}

/** Which dish a page is about, whether it is kept, and the way back to its race. */
export function DishHead({ view, plan, plans, dish }: Props) {
  const navigate = useNavigate();
  return (
    <>
      <h1 className="quietly">
        {view}: {dish.draft.name}
      </h1>
      <Head className="no-print">
        <Heading>{view}</Heading>
        <label>
          <span className="quietly">Dish</span>
          <Select value={plan.id} onChange={(e) => void navigate(`/${view.toLowerCase()}/${e.target.value}`)}>
            {plans.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </Select>
        </label>
        <DishState dish={dish} />
        <Button onPress={() => void navigate(`/plan/${plan.id}`)}>To the race</Button>
      </Head>
    </>
  );
}
