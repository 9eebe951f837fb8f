import styled from 'styled-components';
import type { Lot, SimulationRequest } from '../api/client';
import { requestOf } from '../dish/input';
import { type } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Card, Quiet } from '../ui/layout';
import { Controls } from './Controls';
import type { StationProps } from './props';
import { SaltProfile } from './Salt';
import { Skipped } from './Skipped';
import type { Station } from './useBench';

const Box = styled(Card)`
  display: grid;
  gap: 11px;
  padding: 16px;
`;

export const Name = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  h2 {
    font: 600 15px/1 ${type.plain};
    letter-spacing: 0;
    color: var(--quiet);
  }
`;

const Answer = styled.p`
  font: 700 24px/1.18 ${type.loud};
  letter-spacing: -0.012em;
  text-wrap: pretty;
`;

export const Caution = styled.p`
  border-left: 4px solid var(--lemon);
  padding-left: 10px;
  font-size: 14.5px;
`;

const Does = styled.p`
  font-weight: 600;
  font-size: 15px;
`;

const Each = styled.dl`
  margin: 0;
  font-size: 15px;
  dt {
    display: inline;
    color: var(--quiet);
    margin-right: 8px;
  }
  dd {
    display: inline;
    margin: 0;
    font-weight: 600;
  }
`;

interface Props extends StationProps {
  station: Station;
  /** Its place in the order of the hands. */
  place: number;
  /** Takes it off the bench, where it can be. */
  drop: (() => void) | undefined;
  /** It is of all lots alike: how that is said, and what it does for each. */
  alike?: Alike | undefined;
}

export interface Alike {
  says: string;
  does: { lot: string; says: string }[];
}

/** One step: its answer, why, what it does, and what can be chosen. */
export function StationCard({ station, place, drop, alike, ...props }: Props) {
  const { answer, plan, at } = props;
  const { id } = station;
  // Off the bench already: what the basket gets with the step, and without.
  const asked = requestOf(plan);
  const told = (load: Lot['load'], coat: Lot['coat']): SimulationRequest => ({
    ...asked,
    lots: asked.lots.map((lot, k) => (k === at ? { ...lot, load, coat, bench: undefined } : lot)),
  });
  return (
    <Box id={`station-${at}-${id}`} tabIndex={-1} aria-label={station.title}>
      <Name>
        <h2>
          {place}. {station.title}
          {alike ? `, ${alike.says}` : ''}
        </h2>
        {drop ? <Button onPress={drop}>Leave it out</Button> : null}
      </Name>
      <Answer>{station.headline}</Answer>
      <Quiet>{station.why}</Quiet>
      {id === 'salt' && answer.profile ? <SaltProfile profile={answer.profile} units={props.units} /> : null}
      {alike ? (
        <Each>
          {alike.does.map(({ lot, says }) => (
            <div key={lot}>
              <dt>{lot}</dt>
              <dd>{says}</dd>
            </div>
          ))}
        </Each>
      ) : station.does ? (
        <Does>{station.does}</Does>
      ) : null}
      {station.cautions.map((c) => (
        <Caution key={c}>{c}</Caution>
      ))}
      <Controls station={id} {...props} />
      {id === 'cut' || id === 'finish' || station.does === '' || alike ? null : (
        <Skipped withIt={told(answer.load, answer.coat)} without={told(station.without.load, station.without.coat)} />
      )}
    </Box>
  );
}
