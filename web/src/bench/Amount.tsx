import { useEffect, useRef, useState } from 'react';
import { Input, Label, TextField } from 'react-aria-components';
import styled from 'styled-components';
import { ask, client, Refusal } from '../api/client';
import type { Units } from '../format/units';
import { fieldBox, labelled } from '../ui/field';

const Field = styled(TextField)`
  ${labelled}
  input {
    ${fieldBox}
    width: 130px;
  }
`;

const Wrong = styled.small`
  color: var(--heat);
  max-width: 260px;
`;

const Taken = styled.small`
  color: var(--quiet);
  max-width: 260px;
`;

interface Props {
  label: string;
  ingredient: string;
  /** Grams as they stand. */
  g: number;
  units: Units;
  onChange: (g: number) => void;
}

/** An amount as people write it: 1 1/2 tbsp, ½ cup, 250 g. What is not understood is said, and nothing is lost. */
export function Amount({ label, ingredient, g, units, onChange }: Props) {
  const [text, setText] = useState<string | null>(null);
  const [wrong, setWrong] = useState('');
  // What was taken for what leaves it open.
  const [took, setTook] = useState('');
  // What else was changed while it was read is not lost.
  const latest = useRef(onChange);
  useEffect(() => {
    latest.current = onChange;
  });
  const read = async () => {
    if (text === null) return;
    try {
      const got = await ask(client.POST('/amounts', { body: { ingredient, text } }));
      setWrong('');
      setTook(got.took ? `Taken: ${got.took}.` : '');
      setText(null);
      latest.current(got.g);
    } catch (cause) {
      setWrong(
        cause instanceof Refusal
          ? (cause.problem.errors?.[0]?.allowed ?? cause.message)
          : 'No answer. It is kept here.',
      );
    }
  };
  return (
    <Field
      value={text ?? units.amount(g)}
      isInvalid={wrong !== ''}
      onChange={setText}
      onBlur={() => void read()}
      onKeyDown={(e) => {
        if (e.key === 'Enter') void read();
      }}
    >
      <Label>{label}</Label>
      <Input />
      {wrong ? <Wrong role="alert">{wrong}</Wrong> : took ? <Taken role="status">{took}</Taken> : null}
    </Field>
  );
}
