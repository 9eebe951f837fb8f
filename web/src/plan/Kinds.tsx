import { Fragment } from 'react';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { minutes } from '../format/units';
import { Button } from '../ui/Button';
import { Tabs } from '../ui/Tabs';

type LotAnswer = Schemas['LotAnswer'];

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin-bottom: 8px;
`;

interface Props {
  groups: LotAnswer[];
  /** Whether what is said of them is of the dish as it stands. */
  known: boolean;
  front: number;
  show: (k: number) => void;
  /** How long the program is, and which groups it takes out by themselves. */
  totalMin: number;
  out: number[];
  takeOut: (k: number, minute: number) => void;
}

/** The kinds in one basket: one is drawn in front, each says when it is done; who is done sooner can be taken out. */
export function Kinds({ groups, known, front, show, totalMin, out, takeOut }: Props) {
  const early = groups.flatMap((g, k) =>
    known && g.verdict.standing !== 'unknown' && g.outMin <= totalMin - 1 && !out.includes(k) ? [{ g, k }] : [],
  );
  // Somebody has to stay in.
  const leave = early.length === groups.length ? early.slice(0, -1) : early;
  return (
    <Row>
      <Tabs
        label="Kind drawn in front"
        shown={front}
        show={show}
        tabs={groups.map((g, k) => (
          <Fragment key={k}>
            <strong>
              {g.pieces} {g.name}
            </strong>
            <small>
              {!known ? '…' : g.verdict.ready ? `ready ${g.verdict.figure} ${g.verdict.unit}` : g.verdict.figure}
            </small>
          </Fragment>
        ))}
      />
      {leave.map(({ g, k }) => (
        <Button key={k} onPress={() => takeOut(k, g.outMin)}>
          Take the {g.name} out at {minutes(g.outMin)}, leave the others
        </Button>
      ))}
    </Row>
  );
}
