import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';

// What is taken hold of in a drawing.

export const Grip = styled.div`
  position: absolute;
  transform: translate(-50%, -50%);
  z-index: 2;
  touch-action: none;
  user-select: none;
`;

export const Handle = styled(AriaButton).attrs({ className: 'printed' })`
  white-space: nowrap;
  min-height: 30px;
  padding: 0 13px;
  border: 0;
  border-radius: 15px;
  background: var(--heat);
  color: var(--on-heat);
  font-size: 14px;
  font-weight: 600;
  cursor: grab;
  touch-action: none;
  &[data-hovered] {
    filter: brightness(1.1);
  }
  &[data-pressed] {
    cursor: grabbing;
  }
  /* At least 44 px for a finger. */
  &::after {
    content: '';
    position: absolute;
    inset: -9px -4px;
  }
`;

export const Resting = styled(Handle)`
  background: var(--surface);
  color: var(--ink);
  border: 1.5px dashed var(--heat);
`;

export const Join = styled(Handle)`
  width: 26px;
  min-height: 26px;
  padding: 0;
  border-radius: 13px;
  background: var(--surface);
  border: 3px solid var(--heat);
  cursor: ew-resize;
`;

export const Flag = styled(Handle)`
  border-radius: 8px;
  padding: 0 9px;
  min-height: 27px;
  background: var(--ink);
  color: var(--paper);
  cursor: ew-resize;
`;

/** What goes in later or comes out sooner. */
export const LotFlag = styled(Flag)`
  background: var(--core);
  color: var(--on-core);
`;

export const Checked = styled(Flag)`
  background: var(--surface);
  color: var(--ink);
  border: 1.5px solid var(--ink);
`;

export const Out = styled(Flag)`
  background: var(--heat);
  color: var(--on-heat);
`;

export const Wished = styled(Flag)`
  background: var(--surface);
  color: var(--ink);
  border: 1.5px dashed var(--quiet);
  pointer-events: none;
`;
