import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Label, TextArea, TextField } from 'react-aria-components';
import styled from 'styled-components';
import type { CookEntry, Schemas } from '../api/client';
import { getCook, saveOutcome } from '../api/queries';
import { Choice } from '../ui/Choice';
import { fieldBox, labelled } from '../ui/field';
import { KeptState } from '../ui/KeptState';
import { Card } from '../ui/layout';
import { unsent, useKept } from '../ui/useKept';
import { crustWords, insideWords } from './words';

const Form = styled(Card)`
  display: grid;
  gap: 14px;
`;

const Area = styled(TextField)`
  ${labelled}
  textarea {
    ${fieldBox}
    min-height: 74px;
    padding: 9px 12px;
    resize: vertical;
  }
`;

type Outcome = Schemas['Outcome'];

/** How a cook is rated, kept as it is written. */
export function HowItCameOut({ cook }: { cook: CookEntry }) {
  const queries = useQueryClient();
  const [outcome, setOutcome] = useState<Outcome>(
    () => (unsent(`outcome.${cook.id}`)?.input as Outcome | undefined) ?? cook.outcome,
  );
  const kept = useKept({
    key: `outcome.${cook.id}`,
    version: cook.outcomeVersion,
    saved: cook.outcome,
    now: outcome,
    save: async (version, now) => {
      const got = await saveOutcome(cook.id, version, now);
      queries.setQueryData(['cook', cook.id], got);
      await queries.invalidateQueries({ queryKey: ['cooks'] });
      return got.outcomeVersion;
    },
    newest: async () => (await getCook(cook.id)).outcomeVersion,
  });

  const set = (change: Partial<Outcome>) => setOutcome((o) => ({ ...o, ...change }));
  return (
    <Form aria-label="How it came out">
      <h2>How did it come out?</h2>
      <Choice
        label="Crust"
        row
        options={Object.entries(crustWords).map(([id, name]) => ({
          id: id as NonNullable<Outcome['crust']>,
          name,
        }))}
        value={outcome.crust ?? null}
        onChange={(crust) => set({ crust })}
      />
      <Choice
        label="Inside"
        row
        options={Object.entries(insideWords).map(([id, name]) => ({
          id: id as NonNullable<Outcome['inside']>,
          name,
        }))}
        value={outcome.inside ?? null}
        onChange={(inside) => set({ inside })}
      />
      <Area value={outcome.note ?? ''} maxLength={2000} onChange={(note) => set({ note })}>
        <Label>Note</Label>
        <TextArea />
      </Area>
      <Area value={outcome.change ?? ''} maxLength={2000} onChange={(change) => set({ change })}>
        <Label>Next time I would change</Label>
        <TextArea />
      </Area>
      <KeptState kept={kept} instead={kept.state === 'unsent' ? undefined : 'Kept as you write.'} />
    </Form>
  );
}
