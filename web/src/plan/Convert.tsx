import { X } from 'lucide-react';
import { useState } from 'react';
import styled from 'styled-components';
import {
  ask,
  client,
  Refusal,
  type Catalog,
  type PlanInput,
  type Schemas,
  type SimulationRequest,
} from '../api/client';
import { limitOf, within } from '../api/limits';
import type { Units } from '../format/units';
import { at } from '../theme/tokens';
import { Button, IconButton, MainButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Card, Quiet } from '../ui/layout';
import { Stepper } from '../ui/Stepper';
import { Colours, programWords } from './Ways';

type Kind = 'oil' | 'oven' | 'preset';

const kinds: { id: Kind; name: string; note: string }[] = [
  { id: 'oil', name: 'Fried in oil', note: 'the fat’s temperature and minutes' },
  { id: 'oven', name: 'From the oven', note: 'still air, on a tray' },
  { id: 'preset', name: 'A preset on the fryer', note: 'is it right for this load?' },
];

const Head = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  margin-bottom: 8px;
  h2 {
    font-size: 19px;
  }
`;

const Columns = styled.div`
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  gap: 24px;
  ${at.phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Stack = styled.div`
  display: grid;
  gap: 12px;
  align-content: start;
`;

const Says = styled.p`
  font-size: 17px;
  line-height: 1.45;
`;

interface Props {
  request: SimulationRequest;
  catalog: Catalog;
  units: Units;
  use: (program: PlanInput['program']) => void;
  close: () => void;
}

/** Brings a recipe from oil, an oven or a printed preset to this load and fryer. */
export function Convert({ request, catalog, units, use, close }: Props) {
  const [kind, setKind] = useState<Kind>('oil');
  const begin = (k: Kind) => catalog.usual.recipes.find((r) => r.kind === k);
  const [tempC, setTempC] = useState(begin('oil')?.tempC ?? 0);
  const [minutes, setMinutes] = useState(begin('oil')?.minutes ?? 0);
  const [answer, setAnswer] = useState<Schemas['Conversion'] | null>(null);
  const [trouble, setTrouble] = useState('');
  const [busy, setBusy] = useState(false);
  const change = (f: () => void) => {
    f();
    setAnswer(null);
    setTrouble('');
  };
  const work = async () => {
    setBusy(true);
    setTrouble('');
    try {
      setAnswer(await ask(client.POST('/conversions', { body: { request, recipe: { kind, tempC, minutes } } })));
    } catch (cause) {
      setTrouble(cause instanceof Refusal ? cause.message : 'No answer. Try again.');
    }
    setBusy(false);
  };
  return (
    <Card aria-label="From oil, oven or packet">
      <Head>
        <h2>From oil, oven or packet</h2>
        <IconButton label="Close the recipe" onPress={close}>
          <X size={18} aria-hidden />
        </IconButton>
      </Head>
      <Columns>
        <Stack>
          <Choice
            label="How was it cooked"
            quiet
            options={kinds}
            value={kind}
            onChange={(k) =>
              change(() => {
                setKind(k);
                setTempC(begin(k)?.tempC ?? tempC);
                setMinutes(begin(k)?.minutes ?? minutes);
              })
            }
          />
          <Stepper
            label={kind === 'oil' ? 'The fat was at' : kind === 'oven' ? 'The oven was at' : 'The preset says'}
            value={units.heat.to(tempC)}
            {...units.heat.stepper(limitOf(catalog, `recipe.${kind}.tempC`))}
            onChange={(d) => change(() => setTempC(units.heat.from(d)))}
          />
          <Stepper
            label="For"
            unit="min"
            value={minutes}
            {...within(catalog, 'recipe.minutes')}
            onChange={(m) => change(() => setMinutes(m))}
          />
          <Button isDisabled={busy} onPress={() => void work()}>
            {busy ? 'Working it out…' : kind === 'preset' ? 'Judge it' : 'Convert it'}
          </Button>
        </Stack>
        <Stack role="status">
          {trouble ? <p>{trouble}</p> : null}
          {answer ? (
            <>
              <Says>{answer.says}</Says>
              {answer.proposal ? (
                <>
                  <p>
                    <b>{programWords(answer.proposal.program, units)}</b>
                  </p>
                  <Colours way={answer.proposal} />
                  <Quiet>{answer.proposal.reason}</Quiet>
                  <MainButton
                    onPress={() => {
                      if (answer.proposal) use(answer.proposal.program);
                      close();
                    }}
                  >
                    Use this program
                  </MainButton>
                </>
              ) : null}
            </>
          ) : (
            <Quiet>
              {kind === 'preset'
                ? 'The preset is run with this load in this fryer, and told whether it is too short or too long.'
                : 'The recipe is run with this very load; then the program is searched that leaves the same inside with the best crust.'}
            </Quiet>
          )}
        </Stack>
      </Columns>
    </Card>
  );
}
