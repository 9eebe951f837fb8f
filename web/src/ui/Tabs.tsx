import type { ReactNode } from 'react';
import { ToggleButton, ToggleButtonGroup } from 'react-aria-components';
import styled from 'styled-components';

const Row = styled(ToggleButtonGroup)`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
`;

const Tab = styled(ToggleButton)<{ $large: boolean }>`
  min-height: ${(p) => (p.$large ? 64 : 44)}px;
  font-size: ${(p) => (p.$large ? '18px' : 'inherit')};
  padding: 4px 13px;
  border: 1px solid var(--edge);
  border-radius: 10px;
  background: var(--surface);
  color: var(--ink);
  text-align: left;
  cursor: pointer;
  &[data-selected] {
    background: var(--ink);
    color: var(--paper);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
  }
  strong {
    display: block;
    font-weight: 600;
  }
  small {
    font-size: 13.5px;
  }
`;

interface Props {
  label: string;
  /** What stands on each. */
  tabs: ReactNode[];
  shown: number;
  show: (k: number) => void;
  /** For a knuckle. */
  large?: boolean;
}

/** Which of several is drawn. */
export function Tabs({ label, tabs, shown, show, large = false }: Props) {
  return (
    <Row
      aria-label={label}
      selectionMode="single"
      disallowEmptySelection
      selectedKeys={[String(shown)]}
      onSelectionChange={(keys) => show(Number([...keys][0] ?? 0))}
    >
      {tabs.map((tab, k) => (
        <Tab key={k} id={String(k)} $large={large}>
          {tab}
        </Tab>
      ))}
    </Row>
  );
}
