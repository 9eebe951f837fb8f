import { useState } from 'react';
import styled from 'styled-components';
import type { Catalog } from '../api/client';
import { limitOf } from '../api/limits';
import type { Units } from '../format/units';
import { Quiet } from '../ui/layout';
import { Stepper } from '../ui/Stepper';
import { Ask } from './Ask';
import { Big, Half, Row } from './Buttons';
import { notes } from './ProbeReading';
import { useQuestion } from './useQuestion';
import type { Told } from './useTelling';
import type { Watched } from './watched';

const Answer = styled.p`
  font-size: 22px;
  font-weight: 600;
`;

interface Props {
  food: Watched;
  catalog: Catalog;
  units: Units;
  insideC: number;
  tell: (what: string, event: Told) => void;
}

/** "Not done yet": what is seen, and so many more minutes on which setting, with what that costs. */
export function NotDone({ food, catalog, units, insideC, tell }: Props) {
  const [open, setOpen] = useState(false);
  const [read, setRead] = useState(insideC);
  // Null until it is set: the estimate, from which the field begins, is no reading.
  const [typed, setTyped] = useState<number | null>(null);
  const { ask, question } = useQuestion();
  /** What was foreseen when it was said; null before. */
  const [said, setSaid] = useState<string | null>(null);
  const shut = () => {
    setOpen(false);
    setSaid(null);
  };
  const see = (what: string, event: Told) => {
    setSaid(food.mark);
    tell(what, event);
  };
  const { foreseen } = food;
  const more = food.moreMin;
  const dial = foreseen?.dialC ?? food.dialC;
  return (
    <>
      <Half
        onPress={() => {
          setRead(units.heat.to(insideC));
          setTyped(null);
          setOpen(true);
        }}
      >
        Not done yet
      </Half>
      <Ask title={said === null ? 'What do you see?' : food.name} open={open} shut={shut}>
        {said === null ? (
          <>
            {food.soft ? null : (
              <Row>
                <Stepper
                  label={
                    food.both
                      ? 'It reads, the lower of breast and thigh'
                      : food.bone
                        ? 'It reads, away from the bone'
                        : 'It reads, in the thickest part'
                  }
                  value={read}
                  {...units.heat.stepper(limitOf(catalog, 'event.probe'))}
                  onChange={setRead}
                  typed={setTyped}
                />
                <Big
                  isDisabled={typed === null}
                  onPress={() => {
                    if (typed !== null)
                      notes(ask, food.plausibleC, units, (c) =>
                        see(`read ${units.temperature(c)}`, { kind: 'probe', value: c }),
                      )(units.heat.from(typed));
                  }}
                  aria-label={typed === null ? 'It reads that' : `It reads ${typed} ${units.degree}`}
                >
                  {typed === null ? '?' : `${typed} ${units.degree}`}
                </Big>
              </Row>
            )}
            <Row>
              <Half onPress={() => see('raw inside', { kind: 'raw' })}>
                {food.soft
                  ? food.inside === 'soft'
                    ? 'Hard inside'
                    : 'Cold inside'
                  : food.bone
                    ? 'Raw at the bone'
                    : 'Raw inside'}
              </Half>
              <Half onPress={() => see('pale', { kind: 'look', value: 0 })}>Pale</Half>
              <Half onPress={() => see('floury patches', { kind: 'floury' })}>Floury patches</Half>
              <Half onPress={() => see('soft', { kind: 'soft' })}>Soft, not crisp</Half>
            </Row>
          </>
        ) : said === food.mark ? (
          <p role="status">Working out what that means…</p>
        ) : (
          <>
            <Answer role="status">
              {foreseen?.says ?? 'It is as forecast.'} {food.beyond}
            </Answer>
            {food.changed ? <p>{food.changed}</p> : null}
            {food.costs ? <p>{food.costs}</p> : null}
            <Big
              onPress={() => {
                if (Math.abs(dial - food.dialC) >= 1) tell('dial set', { kind: 'set', value: dial });
                tell(`${more} more`, { kind: 'more', value: more });
                shut();
              }}
            >
              {more} min more{Math.abs(dial - food.dialC) >= 1 ? `, set ${units.temperature(dial)}` : ''}
            </Big>
            <Half onPress={shut}>Leave it as it is</Half>
            <Quiet>Probe again before it comes out: the thermometer decides.</Quiet>
          </>
        )}
      </Ask>
      {question}
    </>
  );
}
