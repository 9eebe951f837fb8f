import { Input, Label, TextField } from 'react-aria-components';
import styled from 'styled-components';
import { fieldBox, labelled } from './field';

const Field = styled(TextField)`
  ${labelled}
  input {
    ${fieldBox}
  }
`;

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
  required?: boolean;
}

/** A name, written. */
export function Written({ label, value, onChange, required }: Props) {
  return (
    <Field value={value} onChange={onChange} isRequired={required ?? false} maxLength={60}>
      <Label>{label}</Label>
      <Input />
    </Field>
  );
}
