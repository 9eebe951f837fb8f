import styled from 'styled-components';
import type { Catalog, Fryer, Plan } from '../api/client';
import type { Units } from '../format/units';
import { Pop } from '../ui/Pop';
import { Line, Part, Whole } from '../ui/sentence';
import { Written } from '../ui/Written';
import { DishPart, MorePart, SidePart } from './SupperDishes';
import { alsoAt, HandsPart, HobPart, PeoplePart, TablePart, WaitPart } from './SupperParts';
import { dayOf, hhmm } from './time';
import type { EditSupper, Evening, Sheet } from './useSupper';

const Said = styled.span`
  color: var(--quiet);
  font-weight: 600;
`;

/** For how many a dish is that does not say. */
const USUAL_SERVINGS = 2;

interface Props {
  name: string;
  rename: (name: string) => void;
  evening: Evening;
  edit: EditSupper;
  plans: Plan[];
  fryers: Fryer[];
  catalog: Catalog;
  units: Units;
  sheet: Sheet | null;
}

/** A supper as one sentence; each underlined part is a choice. */
export function SupperSentence({ name, rename, evening, edit, plans, catalog, units, sheet }: Props) {
  const at = { evening, edit, catalog };
  const also = alsoAt(evening);
  const made = evening.dishes.flatMap((d) => plans.find((p) => p.id === d.planId)?.bench.servings ?? USUAL_SERVINGS);
  const parts = [
    ...evening.dishes.map((d, i) => <DishPart key={d.planId} index={i} evening={evening} edit={edit} plans={plans} />),
    ...(evening.sides ?? []).map((side, i) => <SidePart key={side.id} index={i} {...at} />),
  ];
  return (
    <Line aria-label="The supper">
      <Pop title="What it is called" body={<Written label="Its name" value={name} onChange={rename} />}>
        <Part>{name || 'A supper'}</Part>
      </Pop>{' '}
      for <PeoplePart {...at} made={made} />, on the table{' '}
      <Whole>
        <TablePart {...at} />
      </Whole>
      {also.length > 0 ? `, ${also.join(', ')}` : ''}:{' '}
      {parts.map((p, i) => (
        <span key={i}>
          {i === 0 ? '' : i === parts.length - 1 ? ' and ' : ', '}
          {p}
        </span>
      ))}
      <span className="no-print">, </span>
      <MorePart {...at} plans={plans} />, with <HandsPart {...at} />, <HobPart {...at} /> and{' '}
      <WaitPart {...at} units={units} />.{' '}
      {sheet ? (
        <Said>
          {sheet.onTime
            ? `So begin ${begins(sheet)}.`
            : `It is on the table at ${hhmm(sheet.serveAt)} at the earliest.`}
        </Said>
      ) : null}
    </Line>
  );
}

const begins = (s: Sheet) =>
  new Date(s.startAt).toDateString() === new Date(s.serveAt).toDateString()
    ? `at ${hhmm(s.startAt)}`
    : `${dayOf(s.startAt)} at ${hhmm(s.startAt)}`;
