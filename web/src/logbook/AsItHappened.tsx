import { useState } from 'react';
import type { Catalog, CookEntry } from '../api/client';
import type { Units } from '../format/units';
import { Kinds } from '../plan/Kinds';
import { totalOf, turnsOf } from '../plan/program';
import { besideOf, inBasket } from '../race/lots';
import { Race } from '../race/Race';
import { Card } from '../ui/layout';

interface Props {
  cook: CookEntry;
  catalog: Catalog;
  units: Units;
}

/** The race of a finished cook, drawn from what was really done; of several lots one in front of the others. */
export function AsItHappened({ cook, catalog, units }: Props) {
  const [front, setFront] = useState(0);
  const lots = cook.forecast.lots ?? [];
  const total = totalOf(cook.actual);
  const shown = lots.length > 1 ? lots[front] : undefined;
  const cut = catalog.cuts.find((c) => c.id === cook.plan.lots[shown ? front : 0]?.load.cut);
  if (!cut) return null;
  return (
    <Card aria-label="As it happened">
      <h2>As it happened, by the model</h2>
      {shown ? <Kinds lots={lots} known front={front} show={setFront} /> : null}
      <Race
        answer={shown ? inBasket(shown, total) : cook.forecast}
        stages={cook.actual.stages}
        turns={turnsOf(cook.actual)}
        faces={cut.faces}
        units={units}
        beside={besideOf(lots, front, total)}
      />
    </Card>
  );
}
