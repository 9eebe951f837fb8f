import styled from 'styled-components';
import { at } from '../theme/tokens';

export const Columns = styled.div<{ $even?: boolean }>`
  display: grid;
  grid-template-columns: minmax(0, 1fr) ${(p) => (p.$even ? 'minmax(0, 1fr)' : '360px')};
  gap: 16px;
  margin-top: 14px;
  align-items: start;
  ${at.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
  h2 {
    font-size: 18px;
    margin-bottom: 8px;
  }
`;

export const Stack = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
`;

export const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  ${at.phone} {
    display: block;
    overflow-x: auto;
  }
  th,
  td {
    padding: 7px 8px;
    text-align: right;
    border-top: 1px solid var(--line);
    font-weight: 500;
  }
  th:first-child {
    text-align: left;
    color: var(--quiet);
    font-weight: 400;
  }
  th[scope='rowgroup']:first-child {
    padding-top: 16px;
    color: var(--ink);
    font-weight: 600;
  }
  thead th {
    border: 0;
    color: var(--quiet);
    font-size: 14px;
  }
`;

export const Bar = styled.div`
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
  h1 {
    flex: 1;
  }
`;
