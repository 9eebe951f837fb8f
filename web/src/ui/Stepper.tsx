import { Minus, Plus } from 'lucide-react';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { Button, FieldError, Group, Input, Label, TextField } from 'react-aria-components';
import styled from 'styled-components';
import { parseNumber, refusal, showNumber, type Also } from './number';

const Field = styled(TextField)`
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
  &[data-invalid] {
    border-color: var(--heat);
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
  color: var(--ink);
  text-align: center;
  font-weight: 600;
  outline: none;
`;

const No = styled(FieldError)`
  display: grid;
  gap: 6px;
  justify-items: start;
  font-size: 14px;
`;

const Instead = styled(Button)`
  min-height: 36px;
  padding: 0 12px;
  border: 1px solid var(--edge);
  border-radius: 8px;
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  cursor: pointer;
`;

interface Props {
  label: string;
  value: number;
  onChange: (value: number) => void;
  min: number;
  max: number;
  step?: number;
  unit?: string | undefined;
  /** Nothing in between: pieces, trays, hands. */
  whole?: boolean;
  also?: Also | undefined;
  /** What stands in the field as it is typed; null where that cannot be. */
  typed?: (value: number | null) => void;
}

const HOLD_MS = 450;
const AGAIN_MS = 90;

/** Does a thing once, and again and again while it is held. */
function useHeld(go: () => void) {
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const does = useRef(go);
  useEffect(() => {
    does.current = go;
  });
  const stop = () => clearTimeout(timer.current);
  useEffect(() => stop, []);
  const again = () => {
    does.current();
    timer.current = setTimeout(again, AGAIN_MS);
  };
  return {
    onPressStart: () => {
      does.current();
      timer.current = setTimeout(again, HOLD_MS);
    },
    onPressEnd: stop,
  };
}

/** A number with a smaller and a larger button; arrow keys work too. What is typed stays as it is typed: what cannot be is said. */
export function Stepper({ label, value, onChange, min, max, step = 1, unit, whole, also, typed }: Props) {
  const digits = String(step).split('.')[1]?.length ?? 0;
  /** What was typed, over which figure, and what it stands for. */
  const [draft, setDraft] = useState<{ text: string; over: number; v: number | null; error: string } | null>(null);
  // Another figure from elsewhere takes its place; one that is the same but for rounding does not.
  const same = (v: number | null) => v !== null && Math.abs(v - value) <= 0.51 * 10 ** -digits;
  const mine = draft && (draft.over === value || same(draft.v)) ? draft : null;
  const text = mine?.text ?? showNumber(value, digits);
  const error = mine?.error ?? '';
  const bounds = { min, max, unit, whole };
  const take = (v: number, shown: string) => {
    setDraft({ text: shown, over: value, v, error: '' });
    typed?.(v);
    if (v !== value) onChange(v);
  };
  const commit = () => {
    if (!mine) return;
    const why = refusal(text, bounds);
    if (why === '') take(parseNumber(text) ?? value, text.trim());
    else setDraft({ ...mine, error: why });
  };
  const move = (by: 1 | -1) => {
    const from = refusal(text, bounds) === '' ? (parseNumber(text) ?? value) : value;
    const n = (from - min) / step;
    const to = min + step * (by > 0 ? Math.floor(n + 1 + 1e-9) : Math.ceil(n - 1 - 1e-9));
    const v = Math.min(max, Math.max(min, Number(showNumber(to, Math.max(digits, 2)))));
    take(v, showNumber(v, Math.max(digits, 2)));
  };
  const less = useHeld(() => move(-1));
  const more = useHeld(() => move(1));
  const keys = (e: KeyboardEvent) => {
    if (e.key === 'ArrowUp' || e.key === 'ArrowDown') {
      e.preventDefault();
      move(e.key === 'ArrowUp' ? 1 : -1);
    } else if (e.key === 'Enter') commit();
  };
  const meant = also && error !== '' ? parseNumber(text) : null;
  const instead = meant !== null && also ? Number(showNumber(also.from(meant), Math.max(digits, 1))) : null;
  return (
    <Field
      className="no-print"
      value={text}
      isInvalid={error !== ''}
      onChange={(t) => {
        const v = refusal(t, bounds) === '' ? parseNumber(t) : null;
        setDraft({ text: t, over: value, v, error: '' });
        typed?.(v);
      }}
      onBlur={commit}
    >
      <Name>{unit ? `${label}, ${unit}` : label}</Name>
      <Row isInvalid={error !== ''}>
        <Step aria-label={`Less: ${label}`} excludeFromTabOrder isDisabled={value <= min} {...less}>
          <Minus size={18} aria-hidden />
        </Step>
        <Figure inputMode="decimal" autoComplete="off" onKeyDown={keys} />
        <Step aria-label={`More: ${label}`} excludeFromTabOrder isDisabled={value >= max} {...more}>
          <Plus size={18} aria-hidden />
        </Step>
      </Row>
      <No>
        {error}
        {instead !== null && instead >= min && instead <= max ? (
          <Instead onPress={() => take(instead, String(instead))}>
            {text.trim()} {also?.unit}? That is {instead} {unit}
          </Instead>
        ) : null}
      </No>
    </Field>
  );
}
