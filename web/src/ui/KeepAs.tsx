import { useState } from 'react';
import { Input, Label, TextField } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from './Button';
import { fieldBox, labelled } from './field';
import { Pop } from './Pop';

const Name = styled(TextField)`
  ${labelled}
  input {
    ${fieldBox}
  }
`;

interface Props {
  /** What is kept: "this coat". */
  what: string;
  keep: (name: string) => void;
}

/** Keeps something of the household's own under a name. */
export function KeepAs({ what, keep }: Props) {
  const [name, setName] = useState('');
  return (
    <Pop
      title={`Keep ${what}`}
      body={(close) => (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            keep(name.trim());
            setName('');
            close();
          }}
        >
          <Name value={name} onChange={setName} isRequired maxLength={60}>
            <Label>Its name</Label>
            <Input />
          </Name>
          <Button type="submit" isDisabled={name.trim() === ''}>
            Keep it
          </Button>
        </form>
      )}
    >
      <Button>Keep it under a name</Button>
    </Pop>
  );
}
