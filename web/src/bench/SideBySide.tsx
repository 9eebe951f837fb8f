import { Fragment } from 'react';
import styled from 'styled-components';
import { type } from '../theme/tokens';
import { Button } from '../ui/Button';
import { once } from '../ui/history';
import { Adding, dropOf } from './Adding';
import type { StationProps } from './props';
import { StationCard, type Alike } from './StationCard';

const Columns = styled.div<{ $n: number }>`
  margin: 14px 0;
  display: grid;
  grid-template-columns: repeat(${(p) => p.$n}, minmax(0, 1fr));
  gap: 14px;
  align-items: start;
  h2 {
    font: 700 20px/1.2 ${type.loud};
  }
`;

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 6px 10px;
`;

const All = styled.div`
  grid-column: 1 / -1;
  max-width: 620px;
`;

/** A lot on the bench. */
export type OnBench = StationProps & { name: string };

interface Props {
  lots: OnBench[];
  /** Changes of what is alike are of all lots. */
  all: Pick<StationProps, 'set' | 'editLot'>;
  focusOn: (station: string) => void;
  /** The coat and the bench of one lot for the others. */
  othersLike: (lot: number) => void;
}

/** What of a lot a station is about, and what it says to do. */
function said({ bench, lot, answer }: OnBench, id: string) {
  const of: Record<string, unknown> = {
    cut: bench.cutting,
    dry: [bench.drying, lot.load.surface, lot.load.surfaceWaterG],
    salt: bench.salting,
    marinade: bench.marinade,
    coat: [bench.coating, lot.coat],
    finish: bench.finish,
  };
  const { headline, why, cautions } = answer.stations.find((s) => s.id === id) ?? {};
  return JSON.stringify([of[id], headline, why, cautions]);
}

/** Lots side by side where their steps differ, and once where not. */
export function SideBySide({ lots, all, focusOn, othersLike }: Props) {
  const first = lots[0];
  const ids = [...new Set(['cut', 'dry', 'salt', 'marinade', 'coat', 'finish'])].filter((id) =>
    lots.some((l) => l.answer.stations.some((s) => s.id === id)),
  );
  const card = (props: OnBench, id: string, alike?: Alike) => {
    const station = props.answer.stations.find((s) => s.id === id);
    if (!station) return <span />;
    const drop = dropOf(id, props.bench);
    const leave = () => {
      focusOn(`${props.at}-more`);
      if (drop) props.set(once, drop);
    };
    return (
      <StationCard
        station={station}
        place={ids.indexOf(id) + 1}
        drop={drop ? leave : undefined}
        alike={alike}
        of={alike ? undefined : props.name}
        {...props}
      />
    );
  };
  return (
    <Columns $n={lots.length} role="group" aria-label="Stations">
      {lots.map((l) => (
        <Head key={l.at}>
          <h2>{l.name}</h2>
          <Button onPress={() => othersLike(l.at)}>The others like these</Button>
        </Head>
      ))}
      {ids.map((id) => {
        const alike = first && lots.every((l) => said(l, id) === said(first, id));
        return alike ? (
          <All key={id}>
            {card({ ...first, ...all }, id, {
              says: 'all alike',
              does: lots.map((l) => ({ lot: l.name, says: l.answer.stations.find((s) => s.id === id)?.does ?? '' })),
            })}
          </All>
        ) : (
          <Fragment key={id}>
            {lots.map((l) => (
              <Fragment key={l.at}>{card(l, id)}</Fragment>
            ))}
          </Fragment>
        );
      })}
      {lots.map((l) => (
        <Adding key={l.at} {...l} added={(id) => focusOn(`${l.at}-${id}`)} />
      ))}
    </Columns>
  );
}
