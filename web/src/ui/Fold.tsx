import styled from 'styled-components';

/** What is there for those who want it: opened with a tap, and always on paper. */
export const Fold = styled.details`
  summary {
    cursor: pointer;
    padding: 6px 0;
    min-height: 24px;
  }
  @media print {
    &::details-content {
      content-visibility: visible;
    }
  }
`;
