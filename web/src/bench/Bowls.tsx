import styled from 'styled-components';
import type { Units } from '../format/units';
import type { BenchLot } from './useBench';

const Row = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  li {
    display: grid;
    justify-items: center;
    gap: 2px;
    font-size: 13.5px;
    line-height: 1.25;
    text-align: center;
    max-width: 110px;
  }
  small {
    color: var(--quiet);
    font-size: 12.5px;
  }
`;

/** The bowls in the order of the hands, as full as they are to be. */
export function Bowls({ bowls, bag, units }: { bowls: BenchLot['bowls']; bag: boolean; units: Units }) {
  const most = Math.max(...bowls.map((b) => b.putOutG));
  return (
    <Row aria-label={bag ? 'What goes in the bag' : 'Bowls in order'}>
      {bowls.map((b, i) => {
        const fill = 8 + 22 * (b.putOutG / most);
        return (
          <li key={i}>
            <svg width={84} height={50} viewBox="0 0 84 50" aria-hidden>
              <clipPath id={`bowl${i}`}>
                <path d={bag ? 'M18 4L66 4L62 46Q42 50 22 46Z' : 'M5 8Q10 46 42 46Q74 46 79 8Z'} />
              </clipPath>
              <rect x={0} y={48 - fill} width={84} height={50} fill="var(--lemon-wash)" clipPath={`url(#bowl${i})`} />
              <path
                d={bag ? 'M18 4L66 4L62 46Q42 50 22 46Z' : 'M5 8Q10 46 42 46Q74 46 79 8Z'}
                fill="none"
                stroke="var(--ink)"
                strokeWidth={1.8}
              />
            </svg>
            <b>
              {i + 1}. {b.name}
            </b>
            {units.mass(b.putOutG)} out
            <small>
              {units.mass(b.sticksG)} stick · {b.measure}
            </small>
          </li>
        );
      })}
    </Row>
  );
}
