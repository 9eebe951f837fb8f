import { useQueryClient } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { dropMarinade, keepMarinade, useMarinades } from '../api/queries';
import { Own } from '../ui/Own';

type Marinade = Schemas['Marinade'];

interface Props {
  marinade: Marinade;
  massG: number;
  take: (m: Marinade) => void;
}

/** The household's own marinades: taken for this weight, kept under a name, forgotten. */
export function Recipes({ marinade, massG, take }: Props) {
  const own = useMarinades();
  const queries = useQueryClient();
  const whole = { ...marinade, forG: marinade.forG ?? massG };
  return (
    <Own
      what="this marinade"
      known={own.data ?? []}
      filled={marinade.items.length > 0}
      same={(r) => JSON.stringify(r.marinade) === JSON.stringify(whole)}
      take={(r) => take(r.marinade)}
      keep={({ name, over, again }) =>
        keepMarinade(queries, again ? { ...again, version: 0 } : { ...over, name, marinade: whole })
      }
      drop={async (r) => {
        await dropMarinade(r.id);
        await queries.invalidateQueries({ queryKey: ['marinades'] });
      }}
    />
  );
}
