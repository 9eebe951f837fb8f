import styled from 'styled-components';

/** What is pressed and chosen, side by side. */
export const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 10px 0;
`;
