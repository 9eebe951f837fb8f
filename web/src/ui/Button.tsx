import { Button as AriaButton, type ButtonProps } from 'react-aria-components';
import styled from 'styled-components';
import { type } from '../theme/tokens';

const Base = styled(AriaButton)`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 8px;
  min-height: 40px;
  padding: 0 16px;
  border: 1px solid var(--line);
  border-radius: 10px;
  background: var(--surface);
  color: var(--ink);
  font: 600 15px/1.1 ${type.plain};
  cursor: pointer;
  &[data-hovered] {
    border-color: var(--quiet);
  }
  &[data-pressed] {
    background: var(--soft);
  }
  &[data-disabled] {
    opacity: 0.45;
    cursor: default;
  }
`;

export const Button = Base;

export const MainButton = styled(Base)`
  border-color: var(--heat);
  background: var(--heat);
  color: var(--on-heat);
  &[data-hovered] {
    border-color: var(--ink);
  }
  &[data-pressed] {
    background: var(--ink);
    color: var(--paper);
  }
`;

export const PlainButton = styled(Base)`
  border-color: transparent;
  background: transparent;
  padding: 0 10px;
`;

/** A link that leaves with something, and looks like a button. */
export const ButtonLink = styled.a`
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-height: 40px;
  padding: 0 16px;
  border: 1px solid var(--line);
  border-radius: 10px;
  background: var(--surface);
  font: 600 15px/1.1 ${type.plain};
`;

const Icon = styled(Base)`
  width: 40px;
  padding: 0;
`;

export function IconButton({ label, ...props }: ButtonProps & { label: string }) {
  return <Icon aria-label={label} {...props} />;
}
