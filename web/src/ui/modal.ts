import { Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';

/** What lies over everything, and shuts what is under it. */
export const Over = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  display: grid;
  place-items: center;
  padding: 16px;
  background: var(--shade);
  z-index: 40;
`;

export const Box = styled(Modal)`
  max-height: 100%;
  overflow: auto;
  border-radius: 16px;
  background: var(--surface);
  color: var(--ink);
  outline: none;
`;
