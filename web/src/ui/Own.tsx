import { useState } from 'react';
import styled from 'styled-components';
import { Button } from './Button';
import { KeepAs } from './KeepAs';
import { Select } from './Select';
import { complain, say } from './toast';

const Buttons = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`;

interface Named {
  id: string;
  name: string;
}

interface Props<T extends Named> {
  /** "this marinade". */
  what: string;
  known: T[];
  /** Whether there is anything to keep. */
  filled: boolean;
  /** Whether one is what there is now. */
  same: (one: T) => boolean;
  take: (one: T) => void;
  /** Keeps what there is now under a name, over one of them, or as it was before. */
  keep: (as: { name: string; over?: T; again?: T }) => T;
  drop: (one: T) => Promise<unknown>;
}

/** The household's own: taken, kept under a name, forgotten. */
export function Own<T extends Named>({ what, known, filled, same, take, keep, drop }: Props<T>) {
  const [taken, setTaken] = useState('');
  const now = known.find((r) => r.id === taken) ?? known.find(same);
  const put = (as: Parameters<typeof keep>[0]) => {
    setTaken(keep(as).id);
    say(`${as.name} is kept.`);
  };
  const forget = async (one: T) => {
    try {
      await drop(one);
      setTaken('');
      say(`${one.name} is forgotten.`, { label: 'Bring it back', run: () => put({ name: one.name, again: one }) });
    } catch (cause) {
      complain(cause);
    }
  };
  return (
    <>
      {known.length > 0 ? (
        <label>
          <span className="quietly">One of your own</span>
          <Select
            value={now?.id ?? ''}
            onChange={(e) => {
              const found = known.find((r) => r.id === e.target.value);
              setTaken(e.target.value);
              if (found) take(found);
            }}
          >
            <option value="">One of your own…</option>
            {known.map((r) => (
              <option key={r.id} value={r.id}>
                {r.name}
              </option>
            ))}
          </Select>
        </label>
      ) : null}
      {filled ? (
        <Buttons>
          {now && !same(now) ? (
            <Button onPress={() => put({ name: now.name, over: now })}>Keep it as {now.name}</Button>
          ) : null}
          <KeepAs what={what} keep={(name) => put({ name })} />
          {now ? <Button onPress={() => void forget(now)}>Forget {now.name}</Button> : null}
        </Buttons>
      ) : null}
    </>
  );
}
