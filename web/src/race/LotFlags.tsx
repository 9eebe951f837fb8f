import type { PointerEvent, ReactNode } from 'react';
import { minutes } from '../format/units';
import { Pop } from '../ui/Pop';
import { Grip, LotFlag } from './handle';
import { move } from './move';

/** When a lot goes in or comes out, where that is not with the others. */
export interface Edge {
  lot: number;
  name: string;
  kind: 'in' | 'out';
  atMin: number;
}

interface Props {
  edges: Edge[];
  /** Where each stands. */
  place: (edge: Edge, index: number) => { left: number; top: number };
  grip: (edge: Edge) => (e: PointerEvent) => void;
  mayOpen: () => boolean;
  body: (lot: number) => ReactNode;
  /** Moves it to a minute; undefined is with the others. */
  shift: (edge: Edge, minute: number | undefined) => void;
}

/** Flags for what goes in later, and for what comes out sooner. */
export function LotFlags({ edges, place, grip, mayOpen, body, shift }: Props) {
  return edges.map((edge, i) => {
    const { lot, name, kind, atMin } = edge;
    return (
      <Grip key={`${lot}${kind}`} role="presentation" style={place(edge, i)} onPointerDownCapture={grip(edge)}>
        <Pop title={name} body={body(lot)} mayOpen={mayOpen}>
          <LotFlag
            aria-label={`${name} ${kind} ${minutes(atMin)} min in`}
            onKeyDown={move(
              (up, right) => shift(edge, atMin + right + up),
              () => shift(edge, undefined),
            )}
          >
            {kind} {minutes(atMin)}
          </LotFlag>
        </Pop>
      </Grip>
    );
  });
}
