import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { CookEntry, Plan } from '../api/client';
import { savePlan, takeNextTime } from '../api/queries';
import { inputOf } from '../dish/input';
import { Button } from '../ui/Button';
import { Card, Quiet } from '../ui/layout';
import { complain, say } from '../ui/toast';

/** What to do otherwise next time, by how it went; one tap puts it into the dish. */
export function NextTime({ cook }: { cook: Pick<CookEntry, 'id' | 'nextTime' | 'planId' | 'baskets'> }) {
  const queries = useQueryClient();
  const [taken, setTaken] = useState(false);
  if (!cook.nextTime) return null;
  const take = async () => {
    try {
      const before = queries.getQueryData<Plan[]>(['plans'])?.find((p) => p.id === cook.planId);
      const now = await takeNextTime(cook.id);
      await queries.invalidateQueries({ queryKey: ['plans'] });
      setTaken(true);
      say(
        `${now.name} has it.`,
        before && {
          label: 'Undo',
          run: () => {
            savePlan(before.id, now.version, inputOf(before)).then(async () => {
              setTaken(false);
              await queries.invalidateQueries({ queryKey: ['plans'] });
            }, complain);
          },
        },
      );
    } catch (cause) {
      complain(cause);
    }
  };
  return (
    <Card aria-label="Next time">
      <h2>Next time</h2>
      <p>{cook.nextTime.says}</p>
      {cook.baskets > 1 ? <Quiet>The dish has one program: this changes it for all of its baskets.</Quiet> : null}
      {taken || !cook.planId || cook.nextTime.minutes === 0 ? (
        <Quiet role="status">{taken ? 'The dish has it.' : ''}</Quiet>
      ) : (
        <Button onPress={() => void take()}>Put it into the dish</Button>
      )}
    </Card>
  );
}
