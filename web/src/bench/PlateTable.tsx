import styled from 'styled-components';
import type { Schemas } from '../api/client';
import type { Units } from '../format/units';

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  margin-top: 12px;
  th {
    text-align: start;
    font-weight: 500;
    color: var(--quiet);
    padding: 6px 0;
  }
  td,
  thead th + th {
    text-align: right;
    font-weight: 600;
  }
  tbody tr {
    border-top: 1px solid var(--line);
  }
`;

type Plate = Schemas['Plate'];

/** One serving from the basket, beside the same dish deep-fried. */
export function PlateTable({ plate, deep, units }: { plate: Plate; deep: Plate; units: Units }) {
  const rows: [string, (p: Plate) => string][] = [
    ['Weight', (p) => units.mass(p.massG)],
    ['Energy', (p) => `${Math.round(p.kcal)} kcal`],
    ['Carbohydrate', (p) => `${Math.round(p.carbG)} g`],
    ['Fat', (p) => `${Math.round(p.fatG)} g`],
    ['Protein', (p) => `${Math.round(p.proteinG)} g`],
    ['Salt', (p) => `${p.saltG.toFixed(1)} g`],
  ];
  return (
    <Table>
      <thead>
        <tr>
          <th scope="col">A serving</th>
          <th scope="col">from the basket</th>
          <th scope="col">deep-fried</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, say]) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            <td>{say(plate)}</td>
            <td>{say(deep)}</td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
