import { ToggleButton, ToggleButtonGroup } from 'react-aria-components';
import styled from 'styled-components';

const Row = styled(ToggleButtonGroup)`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
`;

const Name = styled.span`
  min-width: 100%;
  font-size: 14px;
  color: var(--quiet);
`;

const One = styled(ToggleButton)`
  min-height: 44px;
  padding: 4px 13px;
  border: 1px solid var(--edge);
  border-radius: 10px;
  background: var(--surface);
  color: var(--ink);
  cursor: pointer;
  &[data-selected] {
    background: var(--ink);
    color: var(--paper);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
  }
`;

interface Props {
  lots: string[];
  /** Which it is for; none is all. */
  chosen: number[];
  /** Whether it may be for all of them. */
  all: boolean;
  choose: (lots: number[] | undefined) => void;
}

/** Which lots a turn is for. */
export function Which({ lots, chosen, all, choose }: Props) {
  const on = chosen.length > 0 ? chosen : lots.map((_, k) => k);
  return (
    <Row
      aria-label="For which of them"
      selectionMode="multiple"
      disallowEmptySelection
      selectedKeys={on.map(String)}
      onSelectionChange={(keys) => {
        const next = [...keys].map(Number).sort((a, b) => a - b);
        if (next.length < lots.length) choose(next);
        else if (all) choose(undefined);
      }}
    >
      <Name>For which of them</Name>
      {lots.map((name, k) => (
        <One key={k} id={String(k)}>
          {name}
        </One>
      ))}
    </Row>
  );
}
