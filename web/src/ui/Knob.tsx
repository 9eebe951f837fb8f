import { SwitchButton } from 'react-aria-components';
import styled from 'styled-components';

/** The button of a switch, with its words beside it. */
export const Knob = styled(SwitchButton)`
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 44px;
  cursor: pointer;
  &::before {
    content: '';
    flex: none;
    width: 40px;
    height: 24px;
    border-radius: 12px;
    background: radial-gradient(circle at 12px 12px, var(--surface) 8.5px, transparent 9px) var(--quiet);
  }
  &[data-selected]::before {
    background: radial-gradient(circle at 28px 12px, var(--surface) 8.5px, transparent 9px) var(--safe);
  }
  &[data-focus-visible]::before {
    outline: 3px solid var(--focus);
    outline-offset: 2px;
  }
`;
