import { type Run } from '../ui/history';
import type { ComponentProps } from 'react';
import styled from 'styled-components';
import type { Catalog, Fryer, PlanInput, Simulation } from '../api/client';
import type { Units } from '../format/units';
import { besideOf, inBasket } from '../race/lots';
import { Race } from '../race/Race';
import { at } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Card, Quiet } from '../ui/layout';
import { Kinds } from './Kinds';
import { Which } from './OtherDrawer';
import type { Edge } from '../race/LotFlags';
import { totalOf, turnsOf } from './program';
import { RaceTools } from './ProgramEditor';
import type { useDishBaskets } from './useDishBaskets';

const Frame = styled(Card)`
  padding: 10px 12px 12px;
  min-height: 520px;
  ${at.phone} {
    padding: 8px 8px 12px;
    min-height: 460px;
  }
`;

type Program = PlanInput['program'];

interface Props {
  program: Program;
  change: (run: Run, f: (p: Program) => Program) => void;
  tray: ReturnType<typeof useDishBaskets>;
  /** What is drawn; null before there is an answer. */
  display: Simulation | null;
  kinds: NonNullable<Simulation['lots']>;
  front: number;
  setFront: (front: number) => void;
  faces: string[];
  /** The answer is of this dish. */
  answered: boolean;
  drawn: boolean;
  pending: boolean;
  failed: boolean;
  edit: ComponentProps<typeof Race>['edit'];
  fryer: Fryer;
  catalog: Catalog;
  units: Units;
  bringing: boolean;
  bring: (on: boolean) => void;
  /** What goes in later, and what comes out sooner. */
  edges: Edge[];
  takeOut: (lot: number, minute: number) => void;
  /** Which of two drawers it is of, and the minutes that both show. */
  title?: string;
  axis?: { from: number; end: number };
}

/** The race of a dish, with its kinds and its tools. */
export function RaceCard(all: Props) {
  const { program, change, tray, display, kinds, front, setFront, faces, answered, drawn, pending, failed, edit } = all;
  const { fryer, catalog, units, bringing, bring, edges, takeOut } = all;
  const { other, second } = tray;
  const inFront = Math.max(0, Math.min(front, kinds.length - 1));
  return (
    <Frame aria-label="The race">
      {all.title ? <Which>{all.title}</Which> : null}
      {kinds.length > 1 && !other ? (
        <Kinds lots={kinds} known={answered} front={inFront} show={setFront} takeOut={takeOut} />
      ) : null}
      {display ? (
        <Race
          answer={!other && kinds.length > 1 && kinds[inFront] ? inBasket(kinds[inFront], totalOf(program)) : display}
          stages={other?.program.stages ?? program.stages}
          turns={turnsOf(other?.program ?? program)}
          faces={faces}
          units={units}
          pending={other ? tray.pending : pending}
          blank={!other && !drawn}
          axis={other ? undefined : all.axis}
          {...(other ? {} : { ...(edit ? { edit } : {}), edges, beside: besideOf(kinds, inFront, totalOf(program)) })}
        />
      ) : failed ? null : (
        <Quiet role="status">Working it out…</Quiet>
      )}
      {other ? (
        <Quiet>
          {second
            ? 'Both fryers follow your program, each as long as its share needs; one starts later so that both are done together. '
            : 'Follows the first basket’s program from a hot fryer, as long as it needs. '}
          <Button
            onPress={() => {
              tray.show(0);
              if (second) tray.choose('one');
            }}
          >
            {second ? 'Edit it in one fryer' : 'Edit the first'}
          </Button>
        </Quiet>
      ) : display ? (
        <RaceTools
          program={program}
          change={change}
          fryer={fryer}
          catalog={catalog}
          bringing={bringing}
          bring={bring}
        />
      ) : null}
    </Frame>
  );
}
