import { useQueryClient } from '@tanstack/react-query';
import { Plus, Trash2 } from 'lucide-react';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { within } from '../api/limits';
import { dropCoat, keepCoat, useCoats } from '../api/queries';
import { setLayers } from '../dish/edits';
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

const MOST_LAYERS = 4;
const MOST_PARTS = 5;

/** What can go on next: binders where the layer is wet, powders and crumbs where it is dry. */
const kinds = [
  {
    name: 'Binders',
    is: (i: Ingredient) => !i.form && (i.thick || ['egg', 'fat', 'dairy', 'liquid'].includes(i.role)),
  },
  { name: 'Powders', is: (i: Ingredient) => i.form === 'powder' },
  { name: 'Crumbs, seeds and nuts', is: (i: Ingredient) => i.form === 'crumb' },
  { name: 'Seasoning and sauces', is: () => true },
];

function Options({ pantry }: { pantry: Ingredient[] }) {
  const seen = new Set<string>();
  return kinds.map((k) => {
    const those = pantry.filter((i) => !seen.has(i.id) && k.is(i));
    those.forEach((i) => seen.add(i.id));
    return (
      <optgroup key={k.name} label={k.name}>
        {those.map((i) => (
          <option key={i.id} value={i.id}>
            {i.name}
          </option>
        ))}
      </optgroup>
    );
  });
}

/** What a coat is made of, from the inside out: each layer of one thing or a mixture. */
export function Composer({ plan, edit, answer, pantry, catalog, units }: StationProps) {
  const own = useCoats();
  const queries = useQueryClient();
  const { coat } = plan;
  const named = catalog.coats.find((c) => c.id === coat.id);
  const layers = coat.layers ?? named?.layers ?? [];
  const put = (what: string, next: Layer[]) => edit(what, (now) => setLayers(now, next));
  const change = (what: string, at: number, layer: Layer) =>
    put(
      what,
      layers.map((l, k) => (k === at ? layer : l)),
    );
  const called = (id: string) => pantry.find((i) => i.id === id)?.name ?? id;
  const known = own.data?.find((o) => JSON.stringify(o.layers) === JSON.stringify(layers));
  const sum = (all: number[]) => all.reduce((a, b) => a + b, 0);
  const hundreds = sum(answer.bowls.map((b) => b.sticksG)) / (sum(answer.layerSticks) || 1);
  const share = within(catalog, 'coat.share');
  const limits = within(catalog, 'coat.sticks');
  return (
    <>
      <List aria-label="Layers of the coat">
        {layers.map((l, i) => {
          const sticks = (answer.layerSticks[i] ?? 0) * hundreds;
          return (
            <One key={i}>
              <Row>
                <strong>
                  {i === 0 ? 'On the food' : 'Over that'}: {l.parts.map((p) => called(p.ingredient)).join(' and ')}
                </strong>
                <IconButton
                  label={`Leave out layer ${i + 1}`}
                  onPress={() =>
                    put(
                      `leave out layer ${i + 1}`,
                      layers.filter((_, k) => k !== i),
                    )
                  }
                >
                  <Trash2 size={17} aria-hidden />
                </IconButton>
              </Row>
              {l.parts.map((p, k) => (
                <Row key={k}>
                  <label>
                    <span className="quietly">
                      Layer {i + 1}, part {k + 1}
                    </span>
                    <Select
                      value={p.ingredient}
                      onChange={(e) =>
                        change(`part ${i} ${k}`, i, {
                          ...l,
                          parts: l.parts.map((o, n) => (n === k ? { ...o, ingredient: e.target.value } : o)),
                        })
                      }
                    >
                      <Options pantry={pantry} />
                    </Select>
                  </label>
                  {l.parts.length > 1 ? (
                    <>
                      <Stepper
                        label={`Parts of ${called(p.ingredient)}`}
                        value={p.share}
                        {...share}
                        unit=""
                        onChange={(v) =>
                          change(`share ${i} ${k}`, i, {
                            ...l,
                            parts: l.parts.map((o, n) => (n === k ? { ...o, share: v } : o)),
                          })
                        }
                      />
                      <IconButton
                        label={`Leave out ${called(p.ingredient)} of layer ${i + 1}`}
                        onPress={() =>
                          change(`leave out part ${k}`, i, { ...l, parts: l.parts.filter((_, n) => n !== k) })
                        }
                      >
                        <Trash2 size={17} aria-hidden />
                      </IconButton>
                    </>
                  ) : null}
                </Row>
              ))}
              <Row>
                <Button
                  isDisabled={l.parts.length >= MOST_PARTS}
                  onPress={() => {
                    const fresh = pantry.find(
                      (o) =>
                        o.form === pantry.find((q) => q.id === l.parts[0]?.ingredient)?.form &&
                        !l.parts.some((q) => q.ingredient === o.id),
                    );
                    if (fresh)
                      change('mix', i, {
                        ...l,
                        parts: [...l.parts, { ingredient: fresh.id, share: l.parts[0]?.share ?? 1 }],
                      });
                  }}
                >
                  <Plus size={17} aria-hidden /> Mix something in
                </Button>
                <Stepper
                  label={`Stays on 100 cm² (${units.mass(sticks)} on all)`}
                  unit="g"
                  value={Math.round((l.sticks ?? answer.layerSticks[i] ?? 0) * 10) / 10}
                  {...limits}
                  onChange={(v) => change(`sticks ${i}`, i, { ...l, sticks: v })}
                />
              </Row>
            </One>
          );
        })}
      </List>
      <Row>
        <Button
          isDisabled={layers.length >= MOST_LAYERS}
          onPress={() =>
            put('add a layer', [
              ...layers,
              { parts: [{ ingredient: layers.length === 1 ? 'egg' : 'coarse-crumbs', share: 1 }] },
            ])
          }
        >
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
