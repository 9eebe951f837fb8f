import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Input, TextField } from 'react-aria-components';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { startCook } from '../api/queries';
import { DishState } from '../dish/DishState';
import type { Dish } from '../dish/useDish';
import { type } from '../theme/tokens';
import { MainButton } from '../ui/Button';
import { complain } from '../ui/toast';

const Head = styled.div`
  display: flex;
  align-items: center;
  gap: 8px;
  flex-wrap: wrap;
`;

const NameField = styled(TextField)`
  flex: 1 1 260px;
  min-width: 0;
  input {
    width: 100%;
    min-height: 40px;
    padding: 0 8px;
    margin-left: -8px;
    border: 0;
    border-radius: 9px;
    background: transparent;
    font: 600 16px/1 ${type.plain};
    color: var(--quiet);
    text-overflow: ellipsis;
    &:hover {
      background: var(--soft);
    }
    &:focus {
      background: var(--surface);
      color: var(--ink);
    }
  }
`;

interface Props {
  id: string;
  dish: Dish;
  /** Which basket is cooked, the first is 1. */
  basket: number;
  /** The dish can be cooked as it stands. */
  ready: boolean;
}

/** A dish's name, where it is kept, and the way to the stove. */
export function PlanHead({ id, dish, basket, ready }: Props) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [starting, setStarting] = useState(false);
  const begin = async () => {
    setStarting(true);
    try {
      await startCook(id, basket);
      await queries.invalidateQueries({ queryKey: ['live'] });
      await navigate('/cook');
    } catch (cause) {
      complain(cause, { label: 'To the cook', run: () => void navigate('/cook') });
      setStarting(false);
    }
  };
  return (
    <Head>
      <NameField
        aria-label="Name of the dish"
        value={dish.draft.name}
        maxLength={80}
        onChange={(name) => dish.edit('name', (now) => ({ ...now, name }))}
      >
        <Input id="dish-name" placeholder="Unnamed dish" />
      </NameField>
      <DishState dish={dish} />
      <MainButton
        isDisabled={starting || dish.kept.state === 'keeping' || dish.kept.state === 'conflict' || !ready}
        onPress={() => void begin()}
      >
        Cook this
      </MainButton>
    </Head>
  );
}
