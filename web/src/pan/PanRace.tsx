import { useId } from 'react';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { minutes, type Units } from '../format/units';
import { useHeard } from '../race/useHeard';
import { useWidth } from '../race/useWidth';
import { Curves, Marks, PanAxis, Rails, Signs, ThickWindow } from './PanDrawing';
import { PanHandles, type PanEdit } from './PanHandles';
import { panScale } from './panScale';
import type { Sauce, SauceAnswer } from './usePan';

const Frame = styled.div`
  position: relative;
  svg {
    display: block;
    overflow: visible;
  }
  text {
    font-size: 13.5px;
    fill: var(--ink);
    paint-order: stroke;
    stroke: var(--surface);
    stroke-width: 4px;
    stroke-linejoin: round;
  }
`;

interface Props {
  answer: SauceAnswer;
  sauce: Sauce;
  endMin: number;
  choices: Schemas['PanChoices'];
  units: Units;
  pending: boolean;
  edit: PanEdit;
}

/** The sauce getting thick against the basket getting done, on one time axis. */
export function PanRace({ answer, sauce, endMin, choices, units, pending, edit }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const id = useId().replaceAll(':', '');
  const { made, told } = answer;
  const scale = panScale({ answer, sauce, endMin, choices, width });
  const heard = useHeard(
    [`on ${minutes(made.onMin)} min before the food is out`, `${scale.wanted} g`, sauce.heat ?? ''],
    `${told.reads} ${told.waits}`,
    !pending,
  );
  return (
    <Frame ref={ref}>
      {width > 0 ? (
        <>
          <svg
            width={width}
            height={scale.height}
            role="img"
            aria-label={`The pan. ${told.makes} ${told.reads} ${told.waits}`}
          >
            <defs>
              <clipPath id={id}>
                <rect x={scale.left} y={0} width={scale.right - scale.left} height={scale.height} />
              </clipPath>
            </defs>
            <Signs choices={choices} scale={scale} />
            <ThickWindow scale={scale} pending={pending} />
            <Curves id={id} made={made} scale={scale} units={units} />
            {scale.boils ? <Rails choices={choices} scale={scale} /> : null}
            <PanAxis scale={scale} />
            <Marks made={made} scale={scale} endMin={endMin} units={units} />
          </svg>
          <PanHandles made={made} scale={scale} endMin={endMin} choices={choices} edit={edit} />
        </>
      ) : null}
      <span className="quietly" role="status">
        {heard}
      </span>
    </Frame>
  );
}
