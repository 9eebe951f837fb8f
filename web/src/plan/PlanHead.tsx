import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Input, TextField } from 'react-aria-components';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { beginDishes } from '../api/live';
import { startCook } from '../api/queries';
import { DishState } from '../dish/DishState';
import type { Dish } from '../dish/useDish';
import { at, type } from '../theme/tokens';
import { Button, MainButton } from '../ui/Button';
import type { Pair } from './beside';
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
  ${at.phone} {
    flex-basis: 100%;
  }
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
  /** What runs in the other drawer. */
  pair?: Pair;
}

/** A dish's name, where it is kept, and the way to the stove. */
export function PlanHead({ id, dish, basket, ready, pair }: Props) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [starting, setStarting] = useState(false);
  const begin = async (both: boolean) => {
    setStarting(true);
    try {
      if (both && pair) await beginDishes(pair.mine === 'left' ? [id, pair.other.id] : [pair.other.id, id]);
      else await startCook(id, basket);
      await queries.invalidateQueries({ queryKey: ['live'] });
      await navigate('/cook');
    } catch (cause) {
      complain(cause, { label: 'To the cook', run: () => void navigate('/cook') });
      setStarting(false);
    }
  };
  const may = !starting && dish.kept.state !== 'keeping' && dish.kept.state !== 'conflict' && ready;
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
      {pair ? (
        <Button isDisabled={!may} onPress={() => void begin(false)}>
          Only this one
        </Button>
      ) : null}
      <MainButton isDisabled={!may} onPress={() => void begin(pair !== undefined)}>
        {pair ? 'Cook both' : 'Cook this'}
      </MainButton>
    </Head>
  );
}
