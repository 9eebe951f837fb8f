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
type Rating = Schemas['Rating'];

const Lot = styled.fieldset`
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  border: 0;
  legend {
    padding: 0 0 4px;
    font-weight: 600;
  }
`;

const choices = (words: Record<string, string>) => Object.entries(words).map(([id, name]) => ({ id, name }));

/** How the crust and the inside came out, of all of it or of one lot. */
function Rated({ of, rating, set }: { of?: string; rating: Rating; set: (change: Rating) => void }) {
  const fields = (
    <>
      <Choice
        label="Crust"
        row
        options={choices(crustWords)}
        value={rating.crust ?? null}
        onChange={(crust) => set({ crust: crust as Rating['crust'] })}
      />
      <Choice
        label="Inside"
        row
        options={choices(insideWords)}
        value={rating.inside ?? null}
        onChange={(inside) => set({ inside: inside as Rating['inside'] })}
      />
    </>
  );
  return of ? (
    <Lot>
      <legend>The {of}</legend>
      {fields}
    </Lot>
  ) : (
    fields
  );
}

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

  const several = cook.plan.lots.length > 1;
  const set = (change: Partial<Outcome>) => setOutcome((o) => ({ ...o, ...change }));
  return (
    <Form aria-label="How it came out">
      <h2>How did it come out?</h2>
      {several ? (
        cook.plan.lots.map((lot, k) => (
          <Rated
            key={k}
            of={cook.forecast.lots?.[k]?.name ?? lot.name ?? ''}
            rating={outcome.lots?.[k] ?? {}}
            set={(change) =>
              set({ lots: cook.plan.lots.map((_, l) => ({ ...outcome.lots?.[l], ...(l === k ? change : {}) })) })
            }
          />
        ))
      ) : (
        <Rated rating={{ crust: outcome.crust, inside: outcome.inside }} set={set} />
      )}
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
