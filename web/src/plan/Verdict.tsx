import { useRef } from 'react';
import styled from 'styled-components';
import type { Schemas, Simulation } from '../api/client';
import type { Units } from '../format/units';
import { minutes } from '../format/units';
import { at, type } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Fold } from '../ui/Fold';
import { Card } from '../ui/layout';

const Box = styled(Card)`
  display: flex;
  flex-direction: column;
  gap: 7px;
`;

const Of = styled.h3`
  font: 700 19px/1.2 ${type.loud};
  margin-top: 4px;
`;

const Figures = styled.h2`
  font: 700 46px/1 ${type.loud};
  font-stretch: 88%;
  letter-spacing: -0.02em;
  small {
    font-size: 20px;
    font-weight: 700;
    margin-left: 8px;
    letter-spacing: 0;
  }
  ${at.phone} {
    font-size: 42px;
  }
`;

const Says = styled.p`
  color: var(--quiet);
`;

const Facts = styled.dl`
  margin: 3px 0 0;
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 6px 10px;
  align-items: center;
  font-size: 15px;
  dt {
    display: flex;
    align-items: center;
    gap: 10px;
  }
  dd {
    margin: 0;
    font-weight: 700;
    text-align: right;
  }
`;

const Chip = styled.span`
  width: 12px;
  height: 12px;
  border-radius: 4px;
  flex: none;
`;

const Warnings = styled.ul`
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
  display: grid;
  gap: 8px;
`;

const Warning = styled.li<{ $grave: boolean }>`
  border-left: 4px solid ${(p) => (p.$grave ? 'var(--heat)' : 'var(--lemon)')};
  padding: 1px 0 1px 10px;
  font-size: 14.5px;
  line-height: 1.38;
  display: grid;
  gap: 5px;
  justify-items: start;
`;

const Gives = styled.span`
  font-weight: 400;
`;

const Foot = styled.p`
  color: var(--quiet);
  font-size: 13px;
  line-height: 1.4;
  margin-top: 2px;
`;

const Sure = styled(Fold)`
  color: var(--quiet);
  font-size: 13.5px;
  line-height: 1.4;
`;

const insides: Record<string, string> = { soft: 'Soft', hot: 'Hot', molten: 'Molten' };

const grave = new Set(['under-rule', 'rule-in-doubt', 'overdone', 'thaw-first']);

interface Props {
  answer: Simulation;
  /** The whole basket, where there are several lots in it; then the answer is of the one that is named. */
  all: Simulation | undefined;
  name: string;
  /** Whether the answer is of the dish as it stands: else nothing is said yet. */
  known: boolean;
  units: Units;
  totalMin: number;
  /** Makes the change that a warning proposes. */
  mend: (change: Schemas['Change']) => void;
}

/** What tenfold reductions leave, in words. */
const left = (tenfold: number) =>
  ['all', 'a tenth', 'a hundredth', 'a thousandth', 'a ten-thousandth', 'a hundred-thousandth'][Math.floor(tenfold)] ??
  'a millionth';

const Short = styled.p`
  display: none;
  ${at.phone} {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 12px;
    align-items: center;
    height: 48px;
    overflow: hidden;
    font-size: 15px;
    line-height: 1.3;
    b {
      font: 700 30px/1 ${type.loud};
      white-space: nowrap;
    }
  }
`;

/**
 * The verdict in a line over the race, where it stands below: always as high, so that nothing moves under a finger.
 */
const cooksWords = (n: number) => (n === 1 ? 'one cook' : `${n} cooks`);

export function InShort({ answer, known }: { answer: Simulation | undefined; known: boolean }) {
  const v = answer?.verdict;
  return (
    <Short aria-hidden className="no-print">
      <b>{known && v ? `${v.figure} ${v.unit}` : '…'}</b>
      <span>{known && v ? v.says.split('. ')[0]?.replace(/\.?$/, '.') : 'Working it out.'}</span>
    </Short>
  );
}

/** When it is ready, in figures to be read from two metres, and why. */
export function Verdict({ answer, all, name, known, units, totalMin, mend }: Props) {
  const box = useRef<HTMLElement>(null);
  const v = answer.verdict;
  // Where no rule applies there is only soft.
  const soft = answer.rule.inside !== 'safe';
  const tender = answer.tenderAtMin;
  const doubt = answer.chance?.doubts[0];
  const faces = answer.timeline.at(-1)?.faces;
  const rendered = answer.end.fatRenderedPct;
  if (!known || v.standing === 'unknown')
    return (
      <Box aria-label="Verdict" ref={box} tabIndex={-1} aria-busy>
        <Figures>…</Figures>
        <Says>{known ? v.says : 'Working it out.'}</Says>
      </Box>
    );
  const head = all?.verdict ?? v;
  const { warnings, brushes } = all ?? answer;
  return (
    <Box aria-label="Verdict" ref={box} tabIndex={-1}>
      <Figures>
        {head.figure}
        {head.unit ? <small> {head.unit}</small> : null}
      </Figures>
      <Says>
        {head.says} {head.first}
      </Says>
      {all ? (
        <Of>
          The {name}: {v.figure} {v.unit}
        </Of>
      ) : null}
      <Facts>
        <dt>
          <Chip style={{ background: 'var(--core)' }} />
          {insides[answer.rule.inside] ?? 'Safe'} inside, 95 loads in 100
        </dt>
        <dd>{v.safeBy}</dd>
        {tender != null && tender > (answer.safeAtMin ?? 0) + 1 ? (
          <>
            <dt>
              <Chip style={{ background: 'var(--core-wash)' }} />
              At its best inside
            </dt>
            <dd>from {Math.ceil(tender)} min</dd>
          </>
        ) : null}
        <dt>
          <Chip
            style={{
              background: faces ? `lab(${(faces[0]?.lab ?? []).map((n) => n.toFixed(1)).join(' ')})` : 'var(--crust)',
            }}
          />
          Crust where you like it
        </dt>
        <dd>{v.crispAt}</dd>
        {rendered == null ? null : (
          <>
            <dt>
              <Chip style={{ background: 'var(--bread)' }} />
              Fat rendered
            </dt>
            <dd>{Math.round(rendered)} %</dd>
          </>
        )}
        <dt>
          <Chip style={{ background: 'var(--water)' }} />
          Juice kept at {minutes(totalMin)} min
        </dt>
        <dd>{Math.floor(answer.end.juiceKeptPct)} %</dd>
      </Facts>
      {warnings.length > 0 || brushes ? (
        <Warnings aria-label="Cautions">
          {warnings.map((w) => {
            const change = w.change;
            return (
              <Warning key={`${w.code}${w.field ?? ''}${w.lotName ?? ''}`} $grave={grave.has(w.code)}>
                {w.lotName ? `The ${w.lotName}: ${w.message}` : w.message}
                {change ? (
                  <Button
                    onPress={() => {
                      mend(change);
                      // The button goes with its warning; what came of it is read here.
                      box.current?.focus();
                    }}
                  >
                    {change.label}
                    {change.gives ? <Gives>{change.gives}</Gives> : null}
                  </Button>
                ) : null}
              </Warning>
            );
          })}
          {brushes?.map((b) => (
            <Warning key={`brush${b.turn}`} $grave={false}>
              {b.says}
            </Warning>
          ))}
        </Warnings>
      ) : null}
      {soft ? null : (
        <Foot>
          {answer.rule.words}: {units.temperature(answer.rule.coreC)}
          {answer.rule.holdMin > 0 ? ` for ${answer.rule.holdMin} min` : ''} in the coldest spot
          {answer.rule.restMin > 0 ? `, then ${answer.rule.restMin} min rest` : ''}. Check with a thermometer; local
          rules and medical advice come first.
        </Foot>
      )}
      <Sure>
        <summary>
          How sure
          {answer.chance?.fromCooks ? `, from ${cooksWords(answer.chance.fromCooks.cooks)} on it` : ' that is'}
        </summary>
        {answer.chance?.fromCooks ? `${answer.chance.fromCooks.says} ` : ''}
        {doubt ? `${doubt.says} ` : ''}An estimate
        {answer.chance
          ? `, over ${answer.chance.samples.toLocaleString('en-GB')} loads like yours, as pieces, fridges and fryers differ. `
          : '. '}
        {answer.end.logReduction != null && answer.end.pathogen && answer.end.logReduction >= 1
          ? `For information only: of any ${answer.end.pathogen} at most ${left(answer.end.logReduction)} is left by the end.`
          : ''}
      </Sure>
    </Box>
  );
}
