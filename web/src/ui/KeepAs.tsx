import { useState } from 'react';
import { Button } from './Button';
import { Pop } from './Pop';
import { Written } from './Written';

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
          <Written label="Its name" value={name} onChange={setName} required />
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
