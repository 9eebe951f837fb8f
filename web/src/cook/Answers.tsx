import { useState, type ReactNode } from 'react';
import type { Catalog, Schemas } from '../api/client';
import { limitOf } from '../api/limits';
import type { Letter } from '../api/outbox';
import type { Units } from '../format/units';
import { Choice } from '../ui/Choice';
import { Quiet } from '../ui/layout';
import { Ask } from './Ask';
import { Half, Row } from './Buttons';
import { Looks } from './Looks';
import { NotDone } from './NotDone';
import { ProbeReading } from './ProbeReading';
import type { Told } from './useTelling';
import type { Watched } from './watched';

const LATE_MS = 1500;

/** What waits for long: most is answered before it could be read as waiting. */
export const useLate = (waiting: Letter[], nowMs: number) => waiting.filter((l) => nowMs - Date.parse(l.at) > LATE_MS);

interface Props {
  food: Watched;
  catalog: Catalog;
  units: Units;
  insideC: number;
  probes: Schemas['ThermometerSeen'][];
  tell: (what: string, event: Told) => void;
  children?: ReactNode;
}

/** What can be seen of food in a fryer, and said: each changes what comes. */
export function Answers({ food, catalog, units, insideC, probes, tell, children }: Props) {
  const { moreMin: more, foreseen } = food;
  const isIn = food.goesInMin === null;
  const free = probes.find((p) => p.id !== food.probe?.id);
  return (
    <>
      <Row>
        {isIn ? (
          <>
            <NotDone {...{ food, catalog, units, insideC, tell }} />
            <HowItLooks food={food} tell={tell} />
          </>
        ) : null}
        {food.soft || !isIn ? null : (
          <ProbeReading
            limit={limitOf(catalog, 'event.probe')}
            units={units}
            from={insideC}
            bone={food.bone}
            both={food.both}
            plausibleC={food.plausibleC}
            note={(c) => tell(`read ${units.temperature(c)}`, { kind: 'probe', value: c })}
          />
        )}
        <Half onPress={() => tell(`${more} more`, { kind: 'more', value: more })}>
          {more === 2 ? 'Two' : more} more {more === 1 ? 'minute' : 'minutes'}
        </Half>
        {food.probe ? (
          <Half onPress={() => tell('thermometer taken out', { kind: 'taken-out' })}>Thermometer out</Half>
        ) : free && !food.soft && isIn ? (
          <Half onPress={() => tell(`${free.id} left in`, { kind: 'left-in', probe: free.id })}>
            Leave {free.id.replaceAll('-', ' ')} in
          </Half>
        ) : null}
        {children}
      </Row>
      {foreseen && (foreseen.moreMin ?? 1) > 0 ? (
        <Quiet role="status">
          {foreseen.says} {food.beyond}
        </Quiet>
      ) : null}
      {food.changed ? <Quiet role="status">{food.changed}</Quiet> : null}
    </>
  );
}

type Where = 'all' | 'front' | 'back';

const WHERE: { id: Where; name: string }[] = [
  { id: 'all', name: 'alike all over' },
  { id: 'front', name: 'at the front' },
  { id: 'back', name: 'at the back' },
];

/** The shade of what is up; the strips take the colour that it has then, and it is said what that changes. */
function HowItLooks({ food, tell }: Pick<Props, 'food' | 'tell'>) {
  const [open, setOpen] = useState(false);
  const [where, setWhere] = useState<Where>('all');
  return (
    <>
      <Half onPress={() => setOpen(true)}>How it looks</Half>
      <Ask title="How does it look?" open={open} shut={() => setOpen(false)}>
        <p>What is up now, as you see it through the drawer.</p>
        <Choice label="Where in the basket" options={WHERE} value={where} onChange={setWhere} row />
        <Looks
          said={where === 'all' ? food.lookedAt : null}
          tell={(shade, name) => {
            tell(`looks ${name}${where === 'all' ? '' : ` at the ${where}`}`, {
              kind: 'look',
              value: shade,
              ...(where === 'all' ? {} : { where }),
            });
          }}
        />
        {food.changed ? <p role="status">{food.changed}</p> : null}
        <Half onPress={() => setOpen(false)}>Shut</Half>
      </Ask>
    </>
  );
}
