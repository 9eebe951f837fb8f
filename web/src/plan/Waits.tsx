import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { minutes, type Units } from '../format/units';
import { Quiet } from '../ui/layout';

type Wait = Schemas['Wait'];

const Box = styled.div`
  display: grid;
  gap: 8px;
  h3 {
    font-size: 15.5px;
  }
`;

const Rows = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
  font-size: 14px;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 1px 10px;
  }
`;

const Bar = styled.svg`
  grid-column: 1 / -1;
  width: 100%;
  height: 9px;
  display: block;
`;

const Small = styled(Quiet)`
  font-size: 14px;
`;

const NAMES = ['', 'first', 'second', 'third', 'fourth', 'fifth', 'sixth'];

/** What the crust of a basket that is out early becomes, by where it waits; and whether a flash is worth it. */
export function Waits({ waits, units }: { waits: Wait[]; units: Units }) {
  return waits.map((w) => (
    <Box key={w.basket}>
      <h3>
        While the {NAMES[w.basket] ?? `${w.basket}th`} waits, {minutes(Math.ceil(w.minutes))} min
      </h3>
      <Rows>
        {w.kept.map((k) => (
          <li key={k.hold}>
            <span>{k.name}</span>
            <span>
              {Math.floor(k.crust)} of {Math.floor(w.crust)}, {units.temperature(k.coreC)} inside
            </span>
            <Bar viewBox="0 0 100 9" preserveAspectRatio="none" aria-hidden>
              <rect width="100" height="9" rx="1.5" fill="var(--soft)" />
              {w.flashMin > 0 ? (
                <rect width={Math.max(0, k.flashCrust)} height="9" fill="var(--lemon)" opacity="0.75" />
              ) : null}
              <rect width={Math.max(0, k.crust)} height="9" fill="var(--heat)" />
              <rect x={w.crust - 0.4} width="0.8" height="9" fill="var(--ink)" />
            </Bar>
          </li>
        ))}
      </Rows>
      <Small>
        {w.says}
        {w.flashMin > 0 ? ' Yellow is what a flash gives back.' : ''}
      </Small>
    </Box>
  ));
}
