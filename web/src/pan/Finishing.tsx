import { once, runIn, type Run } from '../ui/history';
import { useQueryClient } from '@tanstack/react-query';
import { Plus, Trash2 } from 'lucide-react';
import styled from 'styled-components';
import type { Catalog, Schemas } from '../api/client';
import { limitOf, within } from '../api/limits';
import { dropMix, keepMix, useMixes } from '../api/queries';
import { Items } from '../bench/Items';
import { Jar } from './Jar';
import { Makings } from './Makings';
import { Caution } from '../bench/StationCard';
import type { For } from '../dish/afterwards';
import { at } from '../theme/tokens';
import type { Units } from '../format/units';
import { Button } from '../ui/Button';
import { Card, Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { Own } from '../ui/Own';
import { Stepper } from '../ui/Stepper';
import { Written } from '../ui/Written';
import { Whom } from './PanParts';
import type { PanAnswer } from './usePan';

type Mix = Schemas['Mix'];

const Grid = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 16px;
  margin-top: 10px;
  ${at.phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Stack = styled(Card)`
  display: grid;
  gap: 11px;
  align-content: start;
`;

const Said = styled.div`
  display: flex;
  align-items: center;
  gap: 12px;
`;

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`;

interface Props {
  mixes: For<Mix>[];
  /** The lots of the dish by name; none where there is one. */
  lots: string[];
  answer: PanAnswer | null;
  pantry: Schemas['Ingredient'][];
  catalog: Catalog;
  units: Units;
  put: (run: Run, next: For<Mix>[]) => void;
}

/** Dry mixes by the gram, each with how long its jar lasts. */
export function Finishing({ mixes, lots, answer, pantry, catalog, units, put }: Props) {
  const own = useMixes();
  const queries = useQueryClient();
  const forAll = mixes.filter((o) => o.of === undefined);
  const add = (one: Mix) => put(once, [...forAll, { one, of: undefined }, ...mixes.slice(forAll.length)]);
  const change = (run: Run, at: number, more: Partial<Mix>) =>
    put(
      runIn(run, at),
      mixes.map((o, k) => (k === at ? { ...o, one: { ...o.one, ...more } } : o)),
    );
  const drop = (at: number) =>
    put(
      once,
      mixes.filter((_, k) => k !== at),
    );
  return (
    <section aria-label="Dry finishes">
      <h2>Dry finishes</h2>
      {mixes.length === 0 ? (
        <Quiet>
          On at once, while it is hot and glistens. Salt, citrus, herbs and seeds by hand stand on the bench.
        </Quiet>
      ) : null}
      <Grid>
        {mixes.map(({ one: m, of }, i) => {
          const made = answer?.mixes[i];
          return (
            <Stack key={i} aria-label={m.name}>
              <Said>
                {m.jarG && made ? <Jar jarG={m.jarG} takesG={made.g} /> : null}
                <div>
                  <h3>{m.name}</h3>
                  {made ? (
                    <Quiet>
                      <b>{units.amount(made.g)}</b>.
                      {made.evenings == null || made.evenings < 0
                        ? ''
                        : ` The jar lasts for ${made.evenings} more like this.`}
                    </Quiet>
                  ) : null}
                </div>
              </Said>
              {made?.evenings != null && made.evenings < 0 ? (
                <Caution>The jar has not enough for this: mix more.</Caution>
              ) : null}
              {made && made.fallsG >= 1 ? <Caution>About {units.amount(made.fallsG)} do not stay on.</Caution> : null}
              <Makings
                items={m.items}
                pantry={pantry}
                amount={(k) => units.read((made?.items[k] ?? m.items[k])?.g ?? 0)}
              >
                <Written label="Its name" value={m.name} onChange={(name) => change('mix name', i, { name })} />
                {lots.length > 1 ? (
                  <Whom
                    {...{ lots, of }}
                    setOf={(next) =>
                      put(
                        once,
                        mixes.map((o, k) => (k === i ? { ...o, of: next } : o)),
                      )
                    }
                  />
                ) : null}
                <Items
                  label={m.name}
                  items={m.items}
                  pantry={pantry}
                  answer={{ measures: {}, swaps: {} }}
                  units={units}
                  more={(k) => {
                    const it = made?.items[k];
                    return it ? `${units.pinch(it.g)} of it on this load` : '';
                  }}
                  onChange={(items) => change('mix items', i, { items })}
                />
                <Row>
                  <Stepper
                    label="On 1 kg"
                    unit="g"
                    value={m.gPerKg ?? catalog.usual.mixGPerKg}
                    {...within(catalog, 'bench.mixes.gPerKg')}
                    onChange={(gPerKg) => change('mix dose', i, { gPerKg })}
                  />
                  <Stepper
                    label="In the jar"
                    unit="g"
                    value={m.jarG ?? 0}
                    {...within(catalog, 'bench.mixes.jarG')}
                    onChange={(jarG) => change('jar', i, { jarG })}
                  />
                </Row>
                <Own
                  what="this mix"
                  known={(own.data ?? []).map((o) => ({ ...o, name: o.mix.name }))}
                  filled={m.items.length > 0 && m.name !== ''}
                  same={(o) => JSON.stringify(o.mix) === JSON.stringify(m)}
                  take={(o) => change('a mix of your own', i, o.mix)}
                  keep={({ name, over, again }) => {
                    const kept = keepMix(
                      queries,
                      again
                        ? { id: again.id, mix: again.mix, version: 0 }
                        : { ...(over ? { id: over.id, version: over.version ?? 0 } : {}), mix: { ...m, name } },
                    );
                    return { ...kept, name };
                  }}
                  drop={async (o) => {
                    await dropMix(o.id);
                    await queries.invalidateQueries({ queryKey: ['mixes'] });
                  }}
                />
                <Button onPress={() => drop(i)}>
                  <Trash2 size={17} aria-hidden /> Leave this mix out
                </Button>
              </Makings>
            </Stack>
          );
        })}
        {forAll.length < limitOf(catalog, 'bench.mixes').max ? (
          <AddMix here={mixes.map((o) => o.one.name)} add={add} />
        ) : null}
      </Grid>
    </section>
  );
}

/** A mix of the household, or a new one. */
function AddMix({ here, add }: { here: string[]; add: (m: Mix) => void }) {
  const own = useMixes();
  const fresh: Mix = {
    name: 'A new mix',
    items: [
      { ingredient: 'salt-fine', g: 10 },
      { ingredient: 'paprika', g: 10 },
    ],
  };
  const offered = [...(own.data ?? []).map((o) => o.mix).filter((m) => !here.includes(m.name)), fresh];
  return (
    <div>
      <Pop
        title="A mix from its jar, or a new one"
        body={(close) => (
          <Row>
            {offered.map((m) => (
              <Button
                key={m.name}
                onPress={() => {
                  add(m);
                  close();
                }}
              >
                {m.name}
              </Button>
            ))}
          </Row>
        )}
      >
        <Button>
          <Plus size={18} aria-hidden /> A mix
        </Button>
      </Pop>
    </div>
  );
}
