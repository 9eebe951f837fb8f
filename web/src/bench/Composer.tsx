import { once, type Run } from '../ui/history';
import { useQueryClient } from '@tanstack/react-query';
import { Plus, Trash2 } from 'lucide-react';
import styled from 'styled-components';
import type { Catalog, Schemas } from '../api/client';
import { limitOf, within } from '../api/limits';
import { dropCoat, keepCoat, useCoats, usePantry } from '../api/queries';
import { setLayers } from '../dish/edits';
import type { Units } from '../format/units';
import { Button, IconButton } from '../ui/Button';
import { Quiet } from '../ui/layout';
import { KeepAs } from '../ui/KeepAs';
import { Select } from '../ui/Select';
import { Stepper } from '../ui/Stepper';
import { complain, say } from '../ui/toast';
import type { StationProps } from './props';

type Layer = Schemas['CoatLayer'];
type Ingredient = Schemas['Ingredient'];

const List = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 12px;
`;

const One = styled.li`
  display: grid;
  gap: 8px;
  padding: 10px 12px;
  border-left: 4px solid var(--edge);
  border-radius: 4px 12px 12px 4px;
  background: var(--soft);
  strong {
    flex: 1;
    font-weight: 600;
    align-self: center;
  }
  label {
    flex: 1;
    min-width: 170px;
  }
`;

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px;
`;

/** What can be in a layer, by what it is there. */
function Options({ pantry, kinds }: Pick<LayerProps, 'pantry' | 'kinds'>) {
  return kinds.map((k) => (
    <optgroup key={k.name} label={k.name}>
      {k.ingredients.map((id) => (
        <option key={id} value={id}>
          {pantry.find((i) => i.id === id)?.name ?? id}
        </option>
      ))}
    </optgroup>
  ));
}

interface LayerProps {
  layer: Layer;
  /** Its place from the inside out, from 0. */
  at: number;
  /** What of it stays on, g on 100 cm² and on all pieces. */
  sticks: number;
  onAll: number;
  pantry: Ingredient[];
  kinds: Schemas['LayerKind'][];
  catalog: Catalog;
  units: Units;
  change: (run: Run, layer: Layer) => void;
  drop: () => void;
}

/** One layer of a coat: its parts, and how much of it stays on. */
function CoatLayer({ layer, at, sticks, onAll, pantry, kinds, catalog, units, change, drop }: LayerProps) {
  const { parts } = layer;
  const called = (id: string) => pantry.find((i) => i.id === id)?.name ?? id;
  const part = (run: Run, k: number, more: Partial<Layer['parts'][number]>) =>
    change(run, { ...layer, parts: parts.map((o, n) => (n === k ? { ...o, ...more } : o)) });
  const mixIn = () => {
    const form = pantry.find((q) => q.id === parts[0]?.ingredient)?.form;
    const fresh = pantry.find((o) => o.form === form && !parts.some((q) => q.ingredient === o.id));
    if (fresh) change(once, { ...layer, parts: [...parts, { ingredient: fresh.id, share: parts[0]?.share ?? 1 }] });
  };
  return (
    <One>
      <Row>
        <strong>
          {at === 0 ? 'On the food' : 'Over that'}: {parts.map((p) => called(p.ingredient)).join(' and ')}
        </strong>
        <IconButton label={`Leave out layer ${at + 1}`} onPress={drop}>
          <Trash2 size={17} aria-hidden />
        </IconButton>
      </Row>
      {parts.map((p, k) => (
        <Row key={k}>
          <label>
            <span className="quietly">
              Layer {at + 1}, part {k + 1}
            </span>
            <Select value={p.ingredient} onChange={(e) => part(`part ${at} ${k}`, k, { ingredient: e.target.value })}>
              <Options pantry={pantry} kinds={kinds} />
            </Select>
          </label>
          {parts.length > 1 ? (
            <>
              <Stepper
                label={`Parts of ${called(p.ingredient)}`}
                value={p.share}
                {...within(catalog, 'coat.share')}
                unit=""
                onChange={(share) => part(`share ${at} ${k}`, k, { share })}
              />
              <IconButton
                label={`Leave out ${called(p.ingredient)} of layer ${at + 1}`}
                onPress={() => change(once, { ...layer, parts: parts.filter((_, n) => n !== k) })}
              >
                <Trash2 size={17} aria-hidden />
              </IconButton>
            </>
          ) : null}
        </Row>
      ))}
      <Row>
        <Button isDisabled={parts.length >= limitOf(catalog, 'coat.parts').max} onPress={mixIn}>
          <Plus size={17} aria-hidden /> Mix something in
        </Button>
        <Stepper
          label={`Stays on 100 cm² (${units.mass(onAll)} on all)`}
          unit="g"
          value={Math.round((layer.sticks ?? sticks) * 10) / 10}
          {...within(catalog, 'coat.sticks')}
          onChange={(v) => change(`sticks ${at}`, { ...layer, sticks: v })}
        />
      </Row>
    </One>
  );
}

/** What a coat is made of, from the inside out: each layer of one thing or a mixture. */
export function Composer({ lot, editLot, answer, pantry, catalog, units }: StationProps) {
  const own = useCoats();
  const queries = useQueryClient();
  const coat = lot.coat ?? {};
  const named = catalog.coats.find((c) => c.id === coat.id);
  const layers = coat.layers ?? named?.layers ?? [];
  const kinds = usePantry().data?.kinds ?? [];
  const put = (run: Run, next: Layer[]) => editLot(run, (now) => setLayers(now, next));
  const known = own.data?.find((o) => JSON.stringify(o.layers) === JSON.stringify(layers));
  const fresh = catalog.usual.layers[layers.length];
  return (
    <>
      <List aria-label="Layers of the coat">
        {layers.map((l, i) => (
          <CoatLayer
            key={i}
            layer={l}
            at={i}
            sticks={answer.layerSticks[i] ?? 0}
            onAll={answer.layerG[i] ?? 0}
            {...{ pantry, kinds, catalog, units }}
            change={(run, layer) =>
              put(
                run,
                layers.map((o, k) => (k === i ? layer : o)),
              )
            }
            drop={() =>
              put(
                once,
                layers.filter((_, k) => k !== i),
              )
            }
          />
        ))}
      </List>
      <Row>
        <Button isDisabled={!fresh} onPress={() => (fresh ? put(once, [...layers, fresh]) : undefined)}>
          <Plus size={17} aria-hidden /> A layer
        </Button>
        {layers.length > 0 && !known && coat.layers ? (
          <KeepAs
            what="this coat"
            keep={(name) => {
              keepCoat(queries, { name, layers });
              say(`${name} is kept.`);
            }}
          />
        ) : null}
        {known ? (
          <Button
            onPress={() => {
              dropCoat(known.id).then(
                () => {
                  void queries.invalidateQueries({ queryKey: ['coats'] });
                  say(`${known.name} is forgotten.`, {
                    label: 'Bring it back',
                    run: () => keepCoat(queries, { name: known.name, layers: known.layers, id: known.id }),
                  });
                },
                (cause: unknown) => complain(cause),
              );
            }}
          >
            Forget {known.name}
          </Button>
        ) : null}
      </Row>
      {layers.length === 0 ? <Quiet>It has no layers of its own. Add one, or choose a coat above.</Quiet> : null}
    </>
  );
}
