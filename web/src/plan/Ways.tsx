import { Check, Columns2 } from 'lucide-react';
import { useId, useState } from 'react';
import { ToggleButton } from 'react-aria-components';
import styled from 'styled-components';
import type { Catalog, PlanInput } from '../api/client';
import { heated, waits } from '../format/stage';
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

const List = styled.ul<{ $all: boolean }>`
  list-style: none;
  margin: 0;
  padding: 4px 0;
  background: var(--surface);
  border-radius: 14px;
  ${at.phone} {
    > li:not(:first-child) {
      display: ${(p) => (p.$all ? 'block' : 'none')};
    }
  }
  > li:nth-child(n + 4) {
    display: ${(p) => (p.$all ? 'block' : 'none')};
  }
`;

const More = styled(Button)`
  margin-top: 10px;
  ${at.phone} {
    width: 100%;
    min-height: 46px;
  }
`;

const Item = styled.li<{ $here: boolean }>`
  padding: 7px 14px;
  border-left: 4px solid ${(p) => (p.$here ? 'var(--ink)' : 'transparent')};
  & + & {
    border-top: 1px solid var(--line);
  }
`;

const Row = styled.div`
  display: grid;
  grid-template-columns: minmax(140px, 1.1fr) minmax(60px, 1.4fr) 62px 66px 74px auto;
  align-items: center;
  gap: 4px 14px;
  ${at.phone} {
    grid-template-columns: 1fr 1fr 1fr;
    > :nth-child(1),
    > :nth-child(2),
    > :last-child {
      grid-column: 1 / -1;
    }
  }
`;

const Bar = styled.svg`
  display: block;
  width: 100%;
  border-radius: 7px;
`;

const Name = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 8px;
`;

const Why = styled(ToggleButton)`
  border: none;
  background: none;
  padding: 0;
  min-height: 40px;
  color: var(--ink);
  font: 650 16.5px/1.2 ${type.loud};
  text-align: left;
  cursor: pointer;
  text-decoration: underline dotted 1.5px var(--edge);
  text-underline-offset: 5px;
`;

const Best = styled.span`
  font: 600 12.5px/1 ${type.plain};
  letter-spacing: 0;
  background: var(--lemon-wash);
  border-radius: 6px;
  padding: 5px 8px;
  white-space: nowrap;
`;

const Figure = styled.span`
  font-size: 14px;
  color: var(--quiet);
  b {
    color: var(--ink);
    font-size: 16px;
  }
`;

const Reason = styled.p`
  font-size: 14px;
  line-height: 1.4;
  color: var(--quiet);
  max-width: 92ch;
  padding-bottom: 4px;
`;

const Acts = styled.div`
  display: flex;
  gap: 8px;
`;

const Take = styled(Button)`
  &[aria-disabled='true'] {
    background: var(--soft);
    cursor: default;
  }
  flex: 1;
  min-width: 92px;
  ${at.phone} {
    min-height: 46px;
  }
`;

const Pin = styled(ToggleButton)`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  min-height: 44px;
  min-width: 44px;
  border: 1px solid var(--line);
  border-radius: 10px;
  background: transparent;
  color: var(--ink);
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
      waits(s)
        ? `rest ${minutes(s.minutes)}`
        : `${heated(s, `${units.toDegrees(s.airC)}°`, true)} ${minutes(s.minutes)}`,
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

interface OneProps {
  way: Proposal;
  first: boolean;
  here: boolean;
  pinned: boolean;
  mayPin: boolean;
  choose: () => void;
  pin: (on: boolean) => void;
  units: Units;
}

/** One way in a line: what comes of it; why, when asked. */
function OneWay({ way, first, here, pinned, mayPin, choose, pin, units }: OneProps) {
  const [why, setWhy] = useState(false);
  const named = useId();
  const use = useId();
  return (
    <Item $here={here}>
      <Row>
        <Name>
          <Why id={named} isSelected={why} onChange={setWhy} aria-expanded={why}>
            {way.name}
          </Why>
          {!way.ready ? <Best>falls short</Best> : first ? <Best>recommended</Best> : null}
        </Name>
        <Colours way={way} />
        <Figure>
          <b>{minutes(way.minutes)}</b> min
        </Figure>
        <Figure>
          crust <b>{Math.floor(way.crust)}</b>
        </Figure>
        <Figure>
          juice <b>{Math.floor(way.juicePct)}</b> %
        </Figure>
        <Acts>
          <Take
            id={use}
            aria-disabled={here || undefined}
            onPress={here ? undefined : choose}
            aria-labelledby={`${use} ${named}`}
          >
            {here ? (
              <>
                <Check size={16} aria-hidden /> In use
              </>
            ) : (
              'Use'
            )}
          </Take>
          <Pin isSelected={pinned} isDisabled={!mayPin} onChange={pin} aria-label={`Compare ${way.name.toLowerCase()}`}>
            <Columns2 size={17} aria-hidden />
          </Pin>
        </Acts>
      </Row>
      {why ? (
        <Reason>
          {programWords(way.program, units)}. {way.reason} {(way.energyWh / 1000).toFixed(2)} kWh.
        </Reason>
      ) : null}
    </Item>
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
  // The best come first, on a phone the very best; the others when asked.
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
          `${wants.find((w) => w.id === want)?.says ?? ''}${beside ? ' The other drawer is taken to be on full.' : ''}`
        )}
      </Quiet>
      <List aria-busy={progress !== null} $all={all} style={{ marginTop: 10 }}>
        {ways.map((w, i) => (
          <OneWay
            key={w.way}
            way={w}
            first={i === 0}
            here={alike(w.program, now)}
            pinned={pinned.includes(w.way)}
            mayPin={pinned.length < 2 || pinned.includes(w.way)}
            choose={() => choose(w)}
            pin={(on) => pin(w.way, on)}
            units={units}
          />
        ))}
      </List>
      {ways.length > 3 ? (
        <More aria-expanded={all} onPress={() => setAll(!all)}>
          {all ? 'Only the best ways' : `All ${ways.length} ways`}
        </More>
      ) : null}
    </section>
  );
}
