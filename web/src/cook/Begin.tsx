import { useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { Fryer, Plan } from '../api/client';
import { beginEvening } from '../api/live';
import { startCook, useCatalog, useFryers, usePlans, useSuppers } from '../api/queries';
import { clock, minutes } from '../format/units';
import { Blank, Quiet, Title } from '../ui/layout';
import { Button } from '../ui/Button';
import { complain } from '../ui/toast';
import { Half } from './Buttons';
import { readyChime } from './chime';

const Choices = styled.ul`
  list-style: none;
  padding: 0;
  margin: 18px 0 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 12px;
`;

const Dish = styled(Half)`
  width: 100%;
  min-height: 88px;
  background: var(--surface);
  color: var(--ink);
  flex-direction: column;
  align-items: flex-start;
  padding: 14px 18px;
  gap: 4px;
  text-align: start;
  small {
    font-size: 16px;
    font-weight: 400;
    color: var(--quiet);
  }
`;

/** In which fryer, or drawer of it. */
const placeSays = (p: Plan, fryers: Fryer[]) => {
  const name = fryers.find((f) => f.id === p.fryerId)?.name;
  return name ? `, ${name}${p.drawer ? `, ${p.drawer}` : ''}` : '';
};

/** Which dish or supper to begin. */
export function Begin({ nowMs, beside = false, close }: { nowMs: number; beside?: boolean; close?: () => void }) {
  const plans = usePlans();
  const queries = useQueryClient();
  const begin = async (plan: Plan) => {
    readyChime();
    try {
      await startCook(plan.id);
      await queries.invalidateQueries({ queryKey: ['live'] });
      close?.();
    } catch (cause) {
      complain(cause);
    }
  };
  const fryers = useFryers();
  const suppers = useSuppers();
  const soonH = useCatalog().data?.usual.soonH ?? Infinity;
  const isFar = (s: { evening: { serveAt: string } }) => Date.parse(s.evening.serveAt) - nowMs > soonH * 3_600_000;
  const lead = async (supper: string, soon: boolean) => {
    readyChime();
    try {
      await beginEvening(supper, soon);
      await queries.invalidateQueries({ queryKey: ['live'] });
    } catch (cause) {
      complain(cause);
    }
  };
  return (
    <>
      {!beside && suppers.data && suppers.data.length > 0 ? (
        <>
          <Title>Which supper?</Title>
          <Quiet>Several dishes, led through from the bench to the table.</Quiet>
          <Choices>
            {suppers.data.map((s) => (
              <li key={s.id}>
                <Dish onPress={() => void lead(s.id, isFar(s))}>
                  {s.name}
                  <small>
                    {isFar(s)
                      ? 'begun now, on the table as soon as it can be'
                      : `on the table at ${clock(s.evening.serveAt)}`}
                  </small>
                </Dish>
              </li>
            ))}
          </Choices>
        </>
      ) : null}
      <Title style={{ marginTop: 28 }}>{beside ? 'Which one beside it?' : 'Which one goes in the basket?'}</Title>
      <Quiet>
        {beside
          ? 'In another fryer, or in the other of two drawers: each goes on by its own clock.'
          : 'Nothing is cooking. Choosing a dish starts with heating the fryer.'}{' '}
        {close ? <Button onPress={close}>Not now</Button> : null}
      </Quiet>
      <Choices>
        {(plans.data ?? []).map((p) => (
          <li key={p.id}>
            <Dish onPress={() => void begin(p)}>
              {p.name}
              <small>
                {p.program.stages.map((s) => `${minutes(s.minutes)} min`).join(' + ')}
                {placeSays(p, fryers.data ?? [])}
                {p.tableTime ? `, on the table at ${p.tableTime}` : ''}
              </small>
            </Dish>
          </li>
        ))}
      </Choices>
      {plans.data?.length === 0 ? (
        <Blank title="No dish yet">
          <Quiet>Plan one first; it takes a minute.</Quiet>
          <Link to="/plan">To the plan</Link>
        </Blank>
      ) : null}
    </>
  );
}
