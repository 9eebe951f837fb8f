import { Plus, Trash2 } from 'lucide-react';
import { SwitchField } from 'react-aria-components';
import styled from 'styled-components';
import type { Catalog, Schemas } from '../api/client';
import { limitOf, within } from '../api/limits';
import { usePantry } from '../api/queries';
import type { Units } from '../format/units';
import { Button, IconButton } from '../ui/Button';
import { Knob } from '../ui/Knob';
import { Quiet } from '../ui/layout';
import { Select } from '../ui/Select';
import { Stepper } from '../ui/Stepper';

type Brush = Schemas['Brush'];

const Row = styled.div`
  display: flex;
  align-items: end;
  gap: 8px;
`;

interface Props {
  brush: Brush;
  onChange: (b: Brush) => void;
  /** When and how hot it stands, once that is known. */
  says: string | undefined;
  catalog: Catalog;
  units: Units;
}

/** What is brushed on, how much of it, and on which side. */
export function BrushBody({ brush, onChange, says, catalog, units }: Props) {
  const { ingredients = [], brushes = [] } = usePantry().data ?? {};
  const wet = ingredients.filter((i) => brushes.includes(i.id));
  const share = within(catalog, 'coat.share');
  const part = (k: number, change: Partial<Brush['parts'][number]>) =>
    onChange({ ...brush, parts: brush.parts.map((p, n) => (n === k ? { ...p, ...change } : p)) });
  return (
    <>
      {brush.parts.map((p, k) => (
        <Row key={k}>
          <label>
            <span className="quietly">Brushed on, part {k + 1}</span>
            <Select value={p.ingredient} onChange={(e) => part(k, { ingredient: e.target.value })}>
              {wet.some((i) => i.id === p.ingredient) ? null : <option value={p.ingredient}>{p.ingredient}</option>}
              {wet.map((i) => (
                <option key={i.id} value={i.id}>
                  {i.name}
                </option>
              ))}
            </Select>
          </label>
          {brush.parts.length > 1 ? (
            <>
              <Stepper label="Parts" value={p.share} {...share} onChange={(v) => part(k, { share: v })} />
              <IconButton
                label={`Leave out part ${k + 1}`}
                onPress={() => onChange({ ...brush, parts: brush.parts.filter((_, n) => n !== k) })}
              >
                <Trash2 size={17} aria-hidden />
              </IconButton>
            </>
          ) : null}
        </Row>
      ))}
      <Button
        isDisabled={brush.parts.length >= limitOf(catalog, 'coat.parts').max}
        onPress={() => {
          const fresh = wet.find((i) => !brush.parts.some((p) => p.ingredient === i.id));
          if (fresh) onChange({ ...brush, parts: [...brush.parts, { ingredient: fresh.id, share: 1 }] });
        }}
      >
        <Plus size={16} aria-hidden /> Mix something in
      </Button>
      <Stepper
        label="On all of it"
        value={units.weight.to(brush.g)}
        {...units.weight.stepper(limitOf(catalog, 'brush.g'))}
        onChange={(w) => onChange({ ...brush, g: units.weight.from(w) })}
      />
      <SwitchField isSelected={brush.both ?? false} onChange={(both) => onChange({ ...brush, both })}>
        <Knob>On both sides</Knob>
      </SwitchField>
      {says ? <Quiet role="status">{says}</Quiet> : null}
    </>
  );
}
