import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { FryerInput, Schemas } from '../api/client';
import { leaveOut, useLearnt } from '../api/queries';
import { day, type Units } from '../format/units';
import { Button, PlainButton } from '../ui/Button';
import { Card, Quiet } from '../ui/layout';
import { say } from '../ui/toast';
import { at } from '../theme/tokens';
import { HowSure } from './HowSure';
import { Measure } from './Measure';

type LearntOf = Schemas['Learnt'];
type TaughtBy = LearntOf['taught'][number];

const Side = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.4fr);
  gap: 16px;
  margin-top: 16px;
  ${at.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Part = styled(Card).attrs({ as: 'div' })`
  display: grid;
  align-content: start;
  gap: 10px;
  h2 {
    font-size: 17px;
  }
`;

const Evenings = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 14px;
`;

const Evening = styled.li<{ $out: boolean }>`
  border-left: 4px solid var(${({ $out }) => ($out ? '--line' : '--lemon')});
  padding-left: 10px;
  font-size: 14.5px;
  line-height: 1.4;
  display: grid;
  align-content: start;
  justify-items: start;
  small {
    color: var(--quiet);
    font-size: 14px;
  }
`;

const Small = styled(PlainButton)`
  justify-self: start;
  min-height: 32px;
  padding-left: 0;
  text-decoration: underline;
  text-decoration-color: var(--lemon);
  text-decoration-thickness: 3px;
  text-underline-offset: 4px;
`;

type Run = NonNullable<FryerInput['measured']>[number];

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: start;
`;

interface Props {
  id: string;
  fryer: FryerInput;
  units: Units;
  /** Changes what its owner says of it. */
  set: (change: Pick<FryerInput, 'changed' | 'measured'>) => void;
}

/** What cooks have shown of a fryer, how surely, and what each of them taught. */
export function Learnt({ id, fryer, units, set }: Props) {
  const learnt = useLearnt(id);
  const dialC = Math.min(200, fryer.dial.maxC);
  const leaveRunOut = (run: number, leftOut: boolean) =>
    set({ measured: (fryer.measured ?? []).map((r: Run, i) => (i === run - 1 ? { ...r, leftOut } : r)) });
  return (
    <>
      {(learnt.data ?? []).filter(tells).map((of) => (
        <Side key={of.drawer ?? ''}>
          <Part>
            <h2>How sure{of.drawer ? `, ${of.drawer} drawer` : ''}</h2>
            <p>{of.says}</p>
            <HowSure figures={of.figures} units={units} />
            <Row>
              {of.cooks > 0 ? (
                <Button
                  onPress={() => {
                    set({ changed: [...(fryer.changed ?? []), new Date().toISOString()] });
                    say('What was learnt before today counts for less. Undo takes that back.');
                  }}
                >
                  I changed something of it
                </Button>
              ) : null}
              {of.drawer ? null : (
                <Measure
                  id={id}
                  dialC={dialC}
                  drawers={fryer.drawers ?? 1}
                  units={units}
                  done={(run) => set({ measured: [...(fryer.measured ?? []), run] })}
                />
              )}
            </Row>
          </Part>
          <Part>
            <h2>What taught it</h2>
            {of.taught.length === 0 ? (
              <Quiet>No cook yet. One reading of a thermometer and one look a cook are enough.</Quiet>
            ) : (
              <TaughtList all={of.taught} leaveRunOut={leaveRunOut} />
            )}
          </Part>
        </Side>
      ))}
    </>
  );
}

/** A drawer has a part of its own once a cook in it alone has told something. */
const tells = (of: LearntOf) => !of.drawer || of.taught.length > 0;

/** As many evenings as are shown at once. */
const LATEST = 3;

interface TaughtProps {
  all: TaughtBy[];
  leaveRunOut: (run: number, leftOut: boolean) => void;
}

function TaughtList({ all, leaveRunOut }: TaughtProps) {
  const [whole, setWhole] = useState(false);
  const shown = whole ? all : all.slice(0, LATEST);
  return (
    <>
      <Evenings>
        {shown.map((t) => (
          <OneEvening key={t.cookId ?? `run ${t.run}`} taught={t} leaveRunOut={leaveRunOut} />
        ))}
      </Evenings>
      {all.length > LATEST ? (
        <Small aria-expanded={whole} onPress={() => setWhole(!whole)}>
          {whole ? 'The latest alone' : `All ${all.length}`}
        </Small>
      ) : null}
    </>
  );
}

interface EveningProps {
  taught: TaughtBy;
  leaveRunOut: (run: number, leftOut: boolean) => void;
}

function OneEvening({ taught, leaveRunOut }: EveningProps) {
  const { cookId, run = 0, name, leftOut } = taught;
  return (
    <Evening $out={leftOut || taught.odd}>
      <small>{day(taught.startedAt)}</small>
      {cookId ? (
        <Link to={`/logbook/${cookId}`}>
          <strong>{name}</strong>
        </Link>
      ) : (
        <strong>{name}</strong>
      )}
      <span>{taught.saw}</span>
      <span>
        {leftOut ? '' : 'moved '}
        <strong>{taught.moved}</strong>
      </span>
      {cookId ? (
        <LeaveOut id={cookId} name={name} leftOut={leftOut} />
      ) : (
        <Small onPress={() => leaveRunOut(run, !leftOut)}>{leftOut ? 'Take it back in' : 'Leave it out'}</Small>
      )}
    </Evening>
  );
}

/** Leaves an evening out of what is learnt, or takes it back in. */
export function LeaveOut({ id, name, leftOut }: { id: string; name: string; leftOut: boolean }) {
  const queries = useQueryClient();
  const put = (out: boolean) => {
    leaveOut(queries, id, name, out);
    say(out ? `Nothing is learnt from ${name} any more.` : `${name} is learnt from again.`, {
      label: 'Undo',
      run: () => leaveOut(queries, id, name, !out),
    });
  };
  return (
    <Small onPress={() => put(!leftOut)} aria-label={leftOut ? `Take it back in: ${name}` : `Leave it out: ${name}`}>
      {leftOut ? 'Take it back in' : 'Leave it out'}
    </Small>
  );
}
