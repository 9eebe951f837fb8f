import { Label, RadioButton, RadioField, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';

const List = styled(RadioGroup)<{ $row?: boolean }>`
  display: flex;
  flex-direction: ${(p) => (p.$row ? 'row' : 'column')};
  flex-wrap: ${(p) => (p.$row ? 'wrap' : 'nowrap')};
  gap: 4px;
`;

const Name = styled(Label)`
  min-width: 100%;
  font-size: 14px;
  color: var(--quiet);
`;

const Item = styled(RadioButton)`
  display: flex;
  flex-direction: column;
  justify-content: center;
  min-height: 44px;
  padding: 6px 12px;
  border-radius: 10px;
  border: 1px solid transparent;
  cursor: pointer;
  font-weight: 500;
  &[data-hovered] {
    background: var(--soft);
  }
  &[data-selected] {
    background: var(--ink);
    color: var(--paper);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
    outline-offset: 1px;
  }
  small {
    font-weight: 400;
    opacity: 0.85;
  }
`;

export interface Option<T extends string> {
  id: T;
  name: string;
  note?: string;
}

interface Props<T extends string> {
  label: string;
  /** Says the label to screen readers only. */
  quiet?: boolean;
  options: Option<T>[];
  value: T | null;
  onChange: (value: T) => void;
  /** Told when one is meant: by a tap or Enter, not by arrows on the way. */
  onMeant?: () => void;
  row?: boolean;
}

/** One of a few, all in sight. */
export function Choice<T extends string>({ label, quiet, options, value, onChange, onMeant, row }: Props<T>) {
  return (
    <List
      $row={row ?? false}
      value={value}
      onChange={(v) => onChange(v as T)}
      aria-label={quiet ? label : undefined}
      orientation={row ? 'horizontal' : 'vertical'}
    >
      {quiet ? null : <Name>{label}</Name>}
      {options.map((o) => (
        <RadioField
          key={o.id}
          value={o.id}
          onKeyDown={(e) => {
            if (e.key === 'Enter') onMeant?.();
            else e.continuePropagation();
          }}
        >
          <Item
            onPointerUp={() => {
              // Its value is changed first.
              if (onMeant) setTimeout(onMeant);
            }}
          >
            {o.name}
            {o.note ? <small>{o.note}</small> : null}
          </Item>
        </RadioField>
      ))}
    </List>
  );
}
