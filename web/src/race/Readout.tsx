import styled from 'styled-components';
import type { Simulation } from '../api/client';
import { cssLab } from '../format/colour';
import type { Units } from '../format/units';
import { between, type raceScale } from './scale';

const Box = styled.div<{ $left: boolean }>`
  position: absolute;
  z-index: 3;
  transform: translateX(${(p) => (p.$left ? 'calc(-100% - 10px)' : '10px')});
  background: var(--ink);
  color: var(--paper);
  border-radius: 10px;
  padding: 8px 11px;
  font-size: 13px;
  line-height: 1.5;
  pointer-events: none;
  white-space: nowrap;
  b {
    font-size: 15px;
  }
`;

const Chip = styled.span`
  display: inline-block;
  width: 13px;
  height: 13px;
  border-radius: 4px;
  margin-right: 6px;
  vertical-align: -2px;
  border: 1px solid var(--paper);
`;

/** Reads the race along its axis by keyboard and finger; the pointer reads by hovering. */
const Along = styled.input`
  position: absolute;
  height: 24px;
  margin: 0;
  opacity: 0;
  cursor: pointer;
  &:focus-visible {
    opacity: 1;
    accent-color: var(--lemon);
  }
`;

interface Props {
  answer: Simulation;
  faces: string[];
  units: Units;
  scale: ReturnType<typeof raceScale>;
  end: number;
  minute: number | null;
  read: (minute: number | null) => void;
}

/** All there is to know of one minute. */
export function Readout({ answer, faces, units, scale: s, end, minute, read }: Props) {
  const line = answer.timeline;
  const at = minute ?? 0;
  const near = line.findLast((m) => m.minute <= at + 0.25) ?? line[0];
  const chance = answer.chance?.by.findLast((c) => c.minute <= at + 0.01);
  const air = units.temperature(between(line, at, (m) => m.airC));
  const core = units.temperature(between(line, at, (m) => m.coreC));
  const odds = chance
    ? `safe ${Math.floor(chance.safe * 100 + 1e-9)} in 100, ready ${Math.floor(chance.crisp * 100 + 1e-9)}`
    : '';
  const sides = faces.map((name, i) => `${name}: crust ${Math.round(near?.faces[i]?.crust ?? 0)}`);
  return (
    <>
      {minute === null ? null : (
        <Box $left={s.x(at) > s.right * 0.62} style={{ left: s.x(at), top: s.plot.top + 4 }} aria-hidden>
          <b>Minute {Math.round(at * 2) / 2}</b>
          <div>
            air {air} · core {core}
          </div>
          {sides.map((text, i) => (
            <div key={text}>
              <Chip style={{ background: cssLab(near?.faces[i]?.lab ?? []) }} />
              {text}
            </div>
          ))}
          {odds ? <div>{odds}</div> : null}
        </Box>
      )}
      <Along
        type="range"
        min={0}
        max={Math.floor(end * 2) / 2}
        step={0.5}
        value={at}
        aria-label="Read the race at minute"
        aria-valuetext={`Minute ${at}: air ${air}, core ${core}. ${sides.join('. ')}. ${odds}`}
        style={{ left: s.left - 8, width: s.right - s.left + 16, top: s.axis - 12 }}
        onChange={(e) => read(Number(e.target.value))}
        onBlur={() => read(null)}
      />
    </>
  );
}
