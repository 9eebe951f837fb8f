import styled from 'styled-components';
import { type } from '../theme/tokens';

/** A list to choose from. */
export const Select = styled.select`
  min-height: 46px;
  width: 100%;
  padding: 0 10px;
  border: 1px solid var(--edge);
  border-radius: 10px;
  background: var(--surface);
  color: var(--ink);
  font: 500 16px/1.2 ${type.plain};
`;

/** It with its words above. */
export const Labelled = styled.label`
  display: grid;
  gap: 4px;
  font-size: 14px;
  color: var(--quiet);
`;

/** A line to write on, of the same measure. */
export const Text = styled(Select).attrs({ as: 'input', type: 'text' })``;
