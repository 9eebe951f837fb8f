import { X } from 'lucide-react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { pictureUrl } from '../api/pictures';
import { cssLab } from '../format/colour';
import { day } from '../format/units';
import { IconButton } from '../ui/Button';
import { Card, Quiet } from '../ui/layout';
import { Table } from './parts';
import type { Summary } from './Seasons';
import { crustWords, insideWords } from './words';

const Box = styled(Card)`
  display: grid;
  gap: 10px;
`;

const Head = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
  h2 {
    font-size: 18px;
  }
`;

const Face = styled.span`
  display: block;
  height: 90px;
  border-radius: 12px;
  overflow: hidden;
  img {
    width: 100%;
    height: 100%;
    object-fit: cover;
  }
`;

const less = (n: number, more: string, fewer: string) => `${Math.abs(n)} ${n > 0 ? more : fewer}`;

/** What the later of two was against the earlier. */
function between([a, b]: [Summary, Summary]): string {
  const minutes = Math.round(b.actualMin ?? 0) - Math.round(a.actualMin ?? 0);
  const crust = Math.floor(b.endCrust ?? 0) - Math.floor(a.endCrust ?? 0);
  const juice = Math.floor(b.juicePct ?? 0) - Math.floor(a.juicePct ?? 0);
  const all = [
    a.actualMin != null && b.actualMin != null && minutes !== 0 ? less(minutes, 'min longer', 'min shorter') : '',
    a.endCrust != null && b.endCrust != null && crust !== 0 ? less(crust, 'more of crust', 'less of crust') : '',
    a.juicePct != null && b.juicePct != null && juice !== 0 ? less(juice, '% more juice', '% less juice') : '',
    a.fryer !== b.fryer ? `in ${b.fryer ?? 'another fryer'}` : '',
  ].filter((w) => w !== '');
  return all.length > 0 ? `The later one: ${all.join(', ')}.` : 'They came out alike.';
}

/** Two cooks side by side, the earlier first. */
export function TwoCooks({ pair, close }: { pair: [Summary, Summary]; close: () => void }) {
  const rows: [string, (c: Summary) => string][] = [
    ['In the fryer', (c) => (c.actualMin == null ? 'given up' : `${Math.round(c.actualMin)} min`)],
    ['Planned', (c) => (c.plannedMin == null ? '' : `${Math.round(c.plannedMin)} min`)],
    ['Crust of 100', (c) => (c.endCrust == null ? '' : `${Math.floor(c.endCrust)}`)],
    ['It was', (c) => (c.crust ? (crustWords[c.crust] ?? c.crust) : 'not judged')],
    ['Juice kept', (c) => (c.juicePct == null ? '' : `${Math.floor(c.juicePct)} %`)],
    ['Inside', (c) => (c.inside ? (insideWords[c.inside] ?? c.inside) : 'not judged')],
    ['Fryer', (c) => c.fryer ?? ''],
    ['Note', (c) => c.note ?? ''],
  ];
  return (
    <Box aria-label="Two cooks compared">
      <Head>
        <h2>
          {day(pair[0].startedAt)} and {day(pair[1].startedAt)}
        </h2>
        <IconButton label="Close the comparison" onPress={close}>
          <X size={18} aria-hidden />
        </IconButton>
      </Head>
      <Quiet>{between(pair)}</Quiet>
      <Table>
        <thead>
          <tr>
            <td />
            {pair.map((c) => (
              <th key={c.id} scope="col">
                <Face>
                  {c.picture ? (
                    <img src={pictureUrl(c.picture.id, 'small')} alt={c.picture.alt} />
                  ) : (
                    <span
                      aria-hidden
                      style={{
                        display: 'block',
                        height: '100%',
                        background: c.lab?.[0] ? cssLab(c.lab[0]) : 'var(--soft)',
                      }}
                    />
                  )}
                </Face>
                <Link to={`/logbook/${c.id}`}>{c.name}</Link>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows
            .filter(([, of]) => pair.some((c) => of(c) !== ''))
            .map(([name, of]) => (
              <tr key={name}>
                <th scope="row">{name}</th>
                {pair.map((c) => (
                  <td key={c.id}>{of(c)}</td>
                ))}
              </tr>
            ))}
        </tbody>
      </Table>
    </Box>
  );
}
