import { Label, Slider, SliderOutput, SliderThumb, SliderTrack } from 'react-aria-components';
import styled from 'styled-components';
import type { CutInfo, Fryer, PlanInput, Simulation } from '../api/client';
import { minutes, type Units } from '../format/units';
import { at } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Card, Quiet } from '../ui/layout';
import { Tabs } from '../ui/Tabs';
import { BasketView } from '../fryers/BasketView';
import type { BasketsAnswer, Batching } from './useBaskets';
import { Waits } from './Waits';

const Box = styled(Card)<{ $wide: boolean }>`
  display: grid;
  gap: 12px 24px;
  align-items: start;
  grid-template-columns: ${(p) => (p.$wide ? 'minmax(0, 1fr) minmax(0, 1fr)' : 'minmax(0, 1fr)')};
  ${at.phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Stack = styled.div`
  display: grid;
  gap: 12px;
`;

const Top = styled.div`
  display: grid;
  grid-template-columns: 124px 1fr;
  gap: 16px;
  align-items: center;
  h2 {
    font-size: 18px;
    margin-bottom: 3px;
  }
`;

const Small = styled(Quiet)`
  font-size: 14.5px;
`;

const Share = styled(Slider)`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 10px;
  font-size: 14px;
  color: var(--quiet);
`;

const Track = styled(SliderTrack)`
  grid-column: 1 / -1;
  height: 40px;
  position: relative;
  &::before {
    content: '';
    position: absolute;
    inset: 17px 0;
    border-radius: 3px;
    background: var(--line);
  }
`;

const Seen = styled.div<{ $known: boolean }>`
  display: contents;
  visibility: ${(p) => (p.$known ? 'visible' : 'hidden')};
`;

const Thumb = styled(SliderThumb)`
  top: 20px;
  width: 30px;
  height: 30px;
  border-radius: 15px;
  background: var(--surface);
  border: 3px solid var(--ink);
  cursor: ew-resize;
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
  }
  &[data-dragging] {
    background: var(--lemon);
  }
`;

/** The batching that a plan has chosen. */
export const chosenOf = (plan: Pick<PlanInput, 'perBasket' | 'secondFryerId'>): string =>
  plan.secondFryerId ? 'together' : plan.perBasket ? 'several' : 'one';

const figures = (b: Batching) =>
  `${minutes(b.minutes)} min in all, crust ${Math.floor(b.crust)}, juice ${Math.floor(b.juicePct)} %`;

interface Props {
  plan: PlanInput;
  /** How many pieces come off the bench. */
  total: number;
  /** The basket that is shown: its fryer, and how it comes out. */
  fryer: Fryer;
  answer: Simulation;
  cut: CutInfo;
  baskets: BasketsAnswer | null;
  /** Whether what is said is of the dish as it stands; else it only stays where it is. */
  known: boolean;
  shown: number;
  show: (basket: number) => void;
  choose: (batching: string) => void;
  setPerBasket: (pieces: number) => void;
  /** Another fryer that could help. */
  helper: Fryer | undefined;
  units: Units;
  /** The kinds in it, where there are several. */
  kinds: { name: string; answer: Simulation; cut: string }[];
}

/** The basket from above, how many go in, and what is left for the next. */
export function Baskets({
  plan,
  total,
  fryer,
  answer,
  cut,
  baskets,
  known,
  shown,
  show,
  choose,
  setPerBasket,
  helper,
  units,
  kinds,
}: Props) {
  const chosen = chosenOf(plan);
  const batching = baskets?.batchings.find((b) => b.id === chosen);
  const list = batching?.baskets ?? [];
  const here = list[shown];
  const pieces = here?.pieces ?? Math.min(plan.perBasket ?? total, total);
  const basket = answer.basket;
  // Two drawers that run alike have half of it each; the fuller is drawn.
  const shared = fryer.drawers === 2 && !plan.drawer;
  const [more, fewer] = [Math.ceil(pieces / 2), Math.floor(pieces / 2)];
  const title =
    list.length > 1
      ? chosen === 'together'
        ? fryer.name
        : `Basket ${shown + 1} of ${list.length}`
      : answer.layers > 1
        ? 'Over one layer'
        : shared
          ? 'Both drawers'
          : 'One basket';
  const wide = baskets !== null && (baskets.batchings.length > 1 || chosen !== 'one');
  const options = (baskets?.batchings ?? []).map((b) => ({
    id: b.id,
    name: b.id === baskets?.best ? `${b.name} (best)` : b.name,
    note: known ? figures(b) : '…',
  }));
  if (helper && !plan.secondFryerId && kinds.length === 0)
    options.push({
      id: 'together',
      name: 'Share with the other fryer',
      note: `the ${helper.name}, both done together`,
    });
  const up = cut.faces[0]?.toLowerCase() ?? '';
  return (
    <Box $wide={wide} aria-label="The basket" aria-busy={!known}>
      <Stack>
        <Top>
          <Seen $known={known}>
            <BasketView
              basket={fryer.basket}
              answer={answer}
              cut={cut.id}
              seam={basket?.seam ?? false}
              beside={kinds.filter((k) => k.answer.basket !== answer.basket)}
              label={`${kinds.length > 1 ? kinds.map((k) => k.name).join(' and ') : `${pieces} pieces`} in the ${fryer.name}, seen from above`}
            />
          </Seen>
          <div>
            <h2>{title}</h2>
            <Small>
              {!known ? 'Working it out. ' : null}
              {kinds.length > 0
                ? kinds.map((k) => k.name).join(', ')
                : `${pieces} ${pieces === 1 ? cut.name : cut.plural}`}
              {!shared || pieces < 2 || kinds.length > 0
                ? ''
                : more === fewer
                  ? `, ${more} in each drawer`
                  : `, ${more} in one drawer and ${fewer} in the other`}
              , {up} up{basket?.seam ? ', seam down' : ''}.{' '}
              {known ? `${Math.round(answer.coverage * 100)} % covered, ${basket?.words ?? ''}.` : ''}
              {known && basket && basket.room > 0 && answer.layers === 1 && list.length < 2
                ? ` Room for ${basket.room} more before air stops moving.`
                : ''}
            </Small>
          </div>
        </Top>
        {list.length > 1 ? (
          <Tabs
            label="Basket shown"
            shown={shown}
            show={show}
            tabs={list.map(
              (b, i) =>
                `${chosen === 'together' ? `${b.fryer === 0 ? 'First' : 'Second'} fryer` : `Basket ${i + 1}`}: ${
                  known
                    ? `${b.pieces}, ${minutes(b.program.stages.reduce((sum, s) => sum + s.minutes, 0))} min${
                        b.startMin > 0 ? `, in at ${minutes(b.startMin)}` : ''
                      }`
                    : '…'
                }`,
            )}
          />
        ) : null}
        {chosen === 'several' && total > 1 ? (
          <Share
            value={Math.min(plan.perBasket ?? total, total)}
            minValue={1}
            maxValue={total}
            onChange={(v) => setPerBasket(Array.isArray(v) ? (v[0] ?? total) : v)}
          >
            <Label>In the first basket</Label>
            <SliderOutput>
              {Math.min(plan.perBasket ?? total, total)}, {total - Math.min(plan.perBasket ?? total, total)} left
            </SliderOutput>
            <Track>
              <Thumb aria-label="Pieces in the first basket" />
            </Track>
          </Share>
        ) : null}
      </Stack>
      {!wide && helper && total > 3 && kinds.length === 0 ? (
        <Button onPress={() => choose('together')}>Share with the other fryer</Button>
      ) : null}
      {wide ? (
        <Stack>
          {options.length > 1 ? (
            <Choice label="How they go in" options={options} value={chosen} onChange={choose} />
          ) : null}
          <Small role="status">{known ? baskets.says : 'Working it out.'}</Small>
          {known && batching?.waits ? <Waits waits={batching.waits} units={units} /> : null}
        </Stack>
      ) : null}
    </Box>
  );
}
