import { css } from 'styled-components';

/** How everything that is typed into looks. */
export const fieldBox = css`
  min-height: 46px;
  padding: 0 12px;
  border: 1px solid var(--edge);
  border-radius: 10px;
  background: var(--paper);
  color: var(--ink);
  font-size: 16px;
`;

/** A label over its box. */
export const labelled = css`
  display: grid;
  gap: 4px;
  font-size: 14px;
  color: var(--quiet);
`;
