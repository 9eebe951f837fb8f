import { once } from '../ui/history';
import { Plus } from 'lucide-react';
import styled from 'styled-components';
import { Button } from '../ui/Button';
import type { StationProps } from './props';
import type { Bench } from './useBench';

const More = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 4px 0 18px;
  button {
    min-height: 52px;
  }
`;

interface Optional {
  /** The station that it makes. */
  id: string;
  name: string;
  part: 'cutting' | 'salting' | 'marinade' | 'finish';
}

/** Steps that a dish may do without. */
const optional: Optional[] = [
  { id: 'cut', name: 'Cutting', part: 'cutting' },
  { id: 'salt', name: 'Salt', part: 'salting' },
  { id: 'marinade', name: 'A marinade', part: 'marinade' },
  { id: 'finish', name: 'A finish by hand', part: 'finish' },
];

/** How a station is taken off the bench, or nothing where it has to be. */
export function dropOf(id: string, bench: Bench): ((b: Bench) => Bench) | undefined {
  const part = optional.find((o) => o.id === id)?.part;
  return part && bench[part] ? (b) => ({ ...b, [part]: undefined }) : undefined;
}

interface Props extends Pick<StationProps, 'at' | 'bench' | 'set' | 'catalog'> {
  /** Told which station was put on the bench. */
  added: (id: string) => void;
}

/** Steps that could be put on the bench, each with what it usually begins with. */
export function Adding({ at, bench, set, catalog, added }: Props) {
  const usual: Bench = { ...catalog.usual.bench, finish: [] };
  return (
    <More id={`station-${at}-more`} tabIndex={-1}>
      {optional
        .filter((o) => !bench[o.part])
        .map(({ id, name, part }) => (
          <Button
            key={id}
            onPress={() => {
              added(id);
              set(once, (b) => ({ ...b, [part]: usual[part] }));
            }}
          >
            <Plus size={18} aria-hidden /> {name}
          </Button>
        ))}
    </More>
  );
}
