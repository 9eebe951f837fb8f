import { type Run } from '../ui/history';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { minutes } from '../format/units';
import { Flag, Grip, Handle, Out } from '../race/handle';
import { move } from '../race/move';
import { useDrag } from '../race/useDrag';
import type { PanScale } from './panScale';
import { called } from './thick';
import type { SauceAnswer } from './usePan';

const Thick = styled(Handle)`
  background: var(--sauce);
  color: var(--surface);
  cursor: ns-resize;
`;

const Shelf = styled(Handle)`
  cursor: ns-resize;
`;

const Static = styled(Flag)`
  background: var(--surface);
  color: var(--ink);
  border: 1.5px solid var(--edge);
  cursor: default;
`;

export interface PanEdit {
  thick: (run: Run, g: number) => void;
  heat: (run: Run, id: string) => void;
  /** Minutes before the food is out at which it goes on. */
  before: (run: Run, minutes: number) => void;
}

interface Props {
  made: SauceAnswer['made'];
  scale: PanScale;
  endMin: number;
  choices: Schemas['PanChoices'];
  edit: PanEdit;
}

const names: Record<string, string> = { on: 'on', add: 'rest in', boil: 'boils', slurry: 'starch', ready: 'ready' };

/** What can be dragged in the race of a pan, and the flags of what happens. */
export function PanHandles({ made, scale, endMin, choices, edit }: Props) {
  const { grip } = useDrag();
  const { x, y, on, ready, right, wanted, aims, boils, boilsAt, rail, railY, heatAt, flags, rows, flagTop } = scale;
  return (
    <>
      {aims ? (
        <Grip
          role="presentation"
          style={{ left: right - 26, top: y(wanted) }}
          onPointerDownCapture={grip((_, drag) => (_dx, dy) => edit.thick(drag, y.invert(y(wanted) + dy)))}
        >
          <Thick
            aria-label={`How thick: ${wanted} g, ${called(choices.levels, wanted)}`}
            onKeyDown={move(
              (up, side) => edit.thick('thick', wanted + (up + side) / 2),
              () => undefined,
            )}
          >
            {wanted} g
          </Thick>
        </Grip>
      ) : null}
      {boils ? (
        <Grip
          role="presentation"
          style={{ left: (x(boilsAt) + x(ready)) / 2, top: railY(heatAt) }}
          onPointerDownCapture={grip((_, drag) => (_dx, dy) => {
            const k = Math.round((rail.from + 2 * rail.step - (railY(heatAt) + dy)) / rail.step);
            const h = choices.heats[Math.min(2, Math.max(0, k))];
            if (h) edit.heat(drag, h.id);
          })}
        >
          <Shelf
            aria-label={`Heat of the hob: ${choices.heats[heatAt]?.says ?? ''}`}
            onKeyDown={move(
              (up, side) => {
                const h = choices.heats[Math.min(2, Math.max(0, heatAt + Math.sign(up + side)))];
                if (h) edit.heat('heat', h.id);
              },
              () => undefined,
            )}
          >
            {choices.heats[heatAt]?.says}
          </Shelf>
        </Grip>
      ) : null}
      {flags.map((m, i) =>
        m.kind === 'on' ? (
          <Grip
            key={i}
            role="presentation"
            style={{ left: x(on), top: flagTop(rows[i + 1]) }}
            onPointerDownCapture={grip((_, drag) => (dx) => edit.before(drag, endMin - x.invert(x(on) + dx)))}
          >
            <Flag
              aria-label={`The pan on ${minutes(on)} min in, ${minutes(made.onMin)} min before the food is out`}
              onKeyDown={move(
                (up, side) => edit.before('on', Math.ceil(made.onMin) - side - up),
                () => undefined,
              )}
            >
              on {minutes(on)}
            </Flag>
          </Grip>
        ) : (
          <Grip key={i} role="presentation" style={{ left: x(on + m.minute), top: flagTop(rows[i + 1]) }}>
            <Static isDisabled aria-hidden>
              {names[m.kind]} {minutes(on + m.minute)}
            </Static>
          </Grip>
        ),
      )}
      <Grip role="presentation" style={{ left: x(endMin), top: flagTop(rows[0]) }}>
        <Out isDisabled aria-hidden>
          food out {minutes(endMin)}
        </Out>
      </Grip>
    </>
  );
}
