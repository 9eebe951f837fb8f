import { Minus, Plus } from 'lucide-react';
import { Button, Group, Input, Label, NumberField } from 'react-aria-components';
import styled from 'styled-components';

const Field = styled(NumberField)`
  display: grid;
  gap: 4px;
`;

const Name = styled(Label)`
  font-size: 14px;
  color: var(--quiet);
`;

const Row = styled(Group)`
  display: flex;
  border: 1px solid var(--edge);
  border-radius: 10px;
  background: var(--surface);
  overflow: hidden;
  &[data-focus-within] {
    outline: 3px solid var(--focus);
    outline-offset: 1px;
  }
`;

const Step = styled(Button)`
  flex: none;
  width: 44px;
  height: 44px;
  display: grid;
  place-items: center;
  border: 0;
  background: transparent;
  color: var(--ink);
  cursor: pointer;
  &[data-hovered] {
    background: var(--soft);
  }
  &[data-disabled] {
    opacity: 0.3;
  }
`;

const Figure = styled(Input)`
  flex: 1;
  min-width: 56px;
  width: 92px;
  border: 0;
  background: transparent;
  text-align: center;
  font-weight: 600;
  outline: none;
`;

interface Props {
  label: string;
  value: number;
  onChange: (value: number) => void;
  min: number;
  max: number;
  step?: number;
  unit?: string;
}

/** A number with a smaller and a larger button; arrow keys work too. */
export function Stepper({ label, value, onChange, min, max, step = 1, unit }: Props) {
  return (
    <Field
      className="no-print"
      value={value}
      minValue={min}
      maxValue={max}
      step={step}
      onChange={(v) => {
        if (!Number.isNaN(v) && v !== value) onChange(v);
      }}
      formatOptions={{ maximumFractionDigits: String(step).split('.')[1]?.length ?? 0, useGrouping: false }}
    >
      <Name>{unit ? `${label}, ${unit}` : label}</Name>
      <Row>
        <Step slot="decrement">
          <Minus size={18} aria-hidden />
        </Step>
        <Figure />
        <Step slot="increment">
          <Plus size={18} aria-hidden />
        </Step>
      </Row>
    </Field>
  );
}
