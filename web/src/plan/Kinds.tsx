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
  lots: LotAnswer[];
  /** Whether what is said of them is of the dish as it stands. */
  known: boolean;
  front: number;
  show: (k: number) => void;
  /** Left out where nothing can be changed any more. */
  takeOut?: (k: number, minute: number) => void;
}

/** The lots in one basket: one is drawn in front, each says when it is done; who is done sooner can be taken out. */
export function Kinds({ lots, known, front, show, takeOut }: Props) {
  return (
    <Row>
      <Tabs
        label="Lot drawn in front"
        shown={front}
        show={show}
        tabs={lots.map((lot, k) => (
          <Fragment key={k}>
            <strong>
              {lot.pieces} {lot.name}
            </strong>
            <small>
              {!known
                ? '…'
                : lot.verdict.ready
                  ? `ready ${lot.verdict.figure} ${lot.verdict.unit}`
                  : lot.verdict.figure}
            </small>
          </Fragment>
        ))}
      />
      {lots.map((lot, k) =>
        known && takeOut && lot.mayComeOutMin != null ? (
          <Button key={k} onPress={() => takeOut(k, lot.mayComeOutMin ?? 0)}>
            Take the {lot.name} out at {minutes(lot.mayComeOutMin)}, leave the others
          </Button>
        ) : null,
      )}
    </Row>
  );
}
