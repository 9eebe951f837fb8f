import { Check, Columns2 } from 'lucide-react';
import { useId, useState } from 'react';
import { ToggleButton } from 'react-aria-components';
import styled from 'styled-components';
import type { Catalog, PlanInput } from '../api/client';
import { heated } from '../format/stage';
import { minutes, type Units } from '../format/units';
import { Strip } from '../race/Strip';
import { at, type } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Quiet } from '../ui/layout';
import { alike } from './program';
import type { Proposal } from './useWays';

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 6px 18px;
  margin: 22px 0 10px;
`;

const Grid = styled.ul<{ $all: boolean }>`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
  gap: 12px;
  ${at.phone} {
    > li:not(:first-child) {
      display: ${(p) => (p.$all ? 'flex' : 'none')};
    }
  }
`;

const More = styled(Button)`
  display: none;
  width: 100%;
  margin-top: 10px;
  min-height: 46px;
  ${at.phone} {
    display: inline-flex;
  }
`;

const Card = styled.li<{ $here: boolean }>`
  display: flex;
  flex-direction: column;
  background: var(--surface);
  border: 2px solid ${(p) => (p.$here ? 'var(--ink)' : 'transparent')};
  border-radius: 14px;
  padding: 12px 13px 10px;
  gap: 6px;
`;

const Bar = styled.svg`
  display: block;
  width: 100%;
  border-radius: 7px;
`;

const Name = styled.h3`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  min-height: 27px;
  font-size: 16.5px;
`;

const Best = styled.span`
  font: 600 12.5px/1 ${type.plain};
  letter-spacing: 0;
  background: var(--lemon-wash);
  border-radius: 6px;
  padding: 5px 8px;
  white-space: nowrap;
`;

const Figures = styled.p`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 9px;
  font-size: 13px;
  color: var(--quiet);
`;

const Line = styled.p`
  font-size: 14px;
  color: var(--quiet);
  b {
    color: var(--ink);
    margin-right: 4px;
  }
`;

const Reason = styled.p`
  font-size: 13.5px;
  line-height: 1.38;
  color: var(--quiet);
  flex: 1;
`;

const Acts = styled.div`
  display: flex;
  gap: 8px;
`;

const Take = styled(Button)`
  flex: 1;
  ${at.phone} {
    min-height: 46px;
  }
`;

const Pin = styled(ToggleButton)`
  display: inline-flex;
  align-items: center;
  gap: 7px;
  min-height: 40px;
  padding: 0 12px;
  border: 1px solid var(--line);
  border-radius: 10px;
  background: transparent;
  color: var(--ink);
  font: 600 14px/1 ${type.plain};
  cursor: pointer;
  &[data-selected] {
    background: var(--core-wash);
    border-color: var(--core);
  }
  &[data-disabled] {
    opacity: 0.45;
  }
`;

/** A program in figures: 165° 12 · 200° 15, turn 12. */
export function programWords(p: PlanInput['program'], units: Units): string {
  const stages = p.stages
    .map((s) =>
      s.rest ? `rest ${minutes(s.minutes)}` : `${heated(s, `${units.toDegrees(s.airC)}°`, true)} ${minutes(s.minutes)}`,
    )
    .join(' · ');
  const turns = p.turns ?? [];
  const kind = turns[0]?.kind === 'shake' ? 'shake' : 'turn';
  if (turns.length === 0) return stages;
  return `${stages}, ${kind} at ${turns.map((t) => minutes(t.atMin)).join(', ')}`;
}

/** One face of a proposal as a strip: the paler one, which decides. */
export function Colours({ way }: { way: Proposal }) {
  const id = useId().replaceAll(':', '');
  const last = way.timeline.at(-1);
  if (!last) return null;
  const x = (m: number) => (m / last.minute) * 300;
  return (
    <Bar viewBox="0 0 300 14" height={14} preserveAspectRatio="none" aria-hidden>
      <Strip id={id} timeline={way.timeline} face={way.paler === 1 ? 1 : 0} x={x} y={0} height={14} square />
    </Bar>
  );
}

interface Props {
  ways: Proposal[];
  says: string;
  progress: { done: number; of: number } | null;
  problem: string | null;
  cancel: () => void;
  again: () => void;
  now: PlanInput['program'];
  choose: (way: Proposal) => void;
  pinned: string[];
  pin: (way: string, on: boolean) => void;
  want: string;
  setWant: (want: string) => void;
  wants: Catalog['wants'];
  units: Units;
  /** It runs in one of two drawers. */
  beside: boolean;
}

/** The schools of running this load, the best first. */
export function Ways({
  ways,
  says,
  progress,
  problem,
  cancel,
  again,
  now,
  choose,
  pinned,
  pin,
  want,
  setWant,
  wants,
  units,
  beside,
}: Props) {
  // A phone shows the best one first, and the others when asked.
  const [all, setAll] = useState(false);
  return (
    <section aria-labelledby="ways" className="no-print">
      <Head>
        <h2 id="ways">Ways to run it</h2>
        <Choice
          label="What you would have more of"
          quiet
          row
          options={wants.map((w) => ({ id: w.id, name: w.name }))}
          value={want}
          onChange={setWant}
        />
      </Head>
      <Quiet role="status">
        {progress ? (
          <>
            Searching each way for this load{progress.of > 0 ? `, ${progress.done} of ${progress.of}` : ''}…{' '}
            <Button onPress={cancel}>Stop</Button>
          </>
        ) : problem ? (
          <>
            {problem} <Button onPress={again}>Search again</Button>
          </>
        ) : ways.length === 0 ? (
          <Button onPress={again}>Search the ways</Button>
        ) : (
          says ||
          `${wants.find((w) => w.id === want)?.says ?? ''} Searched on your dial for this load${beside ? ', the other drawer on full' : ''}.`
        )}
      </Quiet>
      <Grid aria-busy={progress !== null} $all={all} style={{ marginTop: 10 }}>
        {ways.map((w, i) => {
          const here = alike(w.program, now);
          return (
            <Card key={w.way} $here={here}>
              <Name>
                {w.name}
                {!w.ready ? <Best>falls short</Best> : i === 0 ? <Best>recommended</Best> : null}
              </Name>
              <Line>
                <b>{minutes(w.minutes)} min</b> {programWords(w.program, units)}
              </Line>
              <Colours way={w} />
              <Figures>
                <span>crust {Math.floor(w.crust)}</span>
                <span>juice {Math.floor(w.juicePct)} %</span>
                <span>
                  {w.turns} {w.turns === 1 ? 'turn' : 'turns'}
                </span>
                <span>{(w.energyWh / 1000).toFixed(2)} kWh</span>
              </Figures>
              <Reason>{w.reason}</Reason>
              <Acts>
                <Take
                  isDisabled={here}
                  onPress={() => choose(w)}
                  aria-label={here ? `${w.name}, in use` : `Run it ${w.name.toLowerCase()}`}
                >
                  {here ? (
                    <>
                      <Check size={16} aria-hidden /> In use
                    </>
                  ) : (
                    'Use this way'
                  )}
                </Take>
                <Pin
                  isSelected={pinned.includes(w.way)}
                  isDisabled={pinned.length >= 2 && !pinned.includes(w.way)}
                  onChange={(on) => pin(w.way, on)}
                  aria-label={`Compare ${w.name.toLowerCase()}`}
                >
                  <Columns2 size={16} aria-hidden /> Compare
                </Pin>
              </Acts>
            </Card>
          );
        })}
      </Grid>
      {ways.length > 1 ? (
        <More aria-expanded={all} onPress={() => setAll(!all)}>
          {all ? 'Only the best way' : `All ${ways.length} ways`}
        </More>
      ) : null}
    </section>
  );
}
