import { Button } from 'react-aria-components';
import styled from 'styled-components';
import { at, type } from '../theme/tokens';

/** A sentence in large type, of which parts are choices. */
export const Line = styled.p`
  font: 700 25px/1.6 ${type.loud};
  letter-spacing: -0.012em;
  margin: 4px 0 12px;
  text-wrap: pretty;
  ${at.phone} {
    font-size: 21px;
    line-height: 1.9;
  }
`;

/** One of them: a button that reads as words. */
export const Part = styled(Button).attrs({ className: 'printed' })`
  display: inline;
  padding: 2px 1px;
  margin: 0;
  border: 0;
  text-decoration: underline 3px var(--lemon);
  text-underline-offset: 7px;
  text-decoration-skip-ink: none;
  background: transparent;
  color: inherit;
  font: inherit;
  letter-spacing: inherit;
  text-align: start;
  cursor: pointer;
  &[data-hovered],
  &[aria-expanded='true'] {
    background: var(--lemon-wash);
    border-radius: 6px;
  }
`;

/** A part with the mark that follows it: the line does not break between them. */
export const Whole = styled.span`
  white-space: nowrap;
  button {
    white-space: normal;
    max-width: calc(100% - 2ch);
  }
  /* Where it is longer than a line there is no such room. */
  ${at.phone} {
    white-space: normal;
  }
`;
