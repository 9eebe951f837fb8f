import styled from 'styled-components';
import { Button, MainButton } from '../ui/Button';

/** What is due now. */
export const Big = styled(MainButton)`
  min-height: 74px;
  font-size: 24px;
  border-radius: 16px;
`;

export const Half = styled(Button)`
  min-height: 64px;
  font-size: 19px;
  border-radius: 14px;
  border: 0;
  background: var(--key);
  color: var(--on-key);
  &[data-pressed] {
    background: var(--key-pressed);
  }
`;

export const Row = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
`;
