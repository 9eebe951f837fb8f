import { ToggleButton, ToggleButtonGroup } from 'react-aria-components';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { minutes } from '../format/units';
import { Button } from '../ui/Button';

type GroupAnswer = Schemas['GroupAnswer'];

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin-bottom: 8px;
`;

const Tabs = styled(ToggleButtonGroup)`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
`;

const Tab = styled(ToggleButton)`
  min-height: 44px;
  padding: 4px 13px;
  border: 1px solid var(--edge);
  border-radius: 10px;
  background: var(--surface);
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
  groups: GroupAnswer[];
  front: number;
  show: (k: number) => void;
  /** How long the program is, and which groups it takes out by themselves. */
  totalMin: number;
  out: number[];
  takeOut: (k: number, minute: number) => void;
}

/** The kinds in one basket: one is drawn in front, each says when it is done; who is done sooner can be taken out. */
export function Kinds({ groups, front, show, totalMin, out, takeOut }: Props) {
  const early = groups.flatMap((g, k) => (g.outMin <= totalMin - 1 && !out.includes(k) ? [{ g, k }] : []));
  // Somebody has to stay in.
  const leave = early.length === groups.length ? early.slice(0, -1) : early;
  return (
    <Row>
      <Tabs
        aria-label="Kind drawn in front"
        selectionMode="single"
        disallowEmptySelection
        selectedKeys={[String(front)]}
        onSelectionChange={(keys) => show(Number([...keys][0] ?? 0))}
      >
        {groups.map((g, k) => (
          <Tab key={k} id={String(k)}>
            <strong>
              {g.pieces} {g.name}
            </strong>
            <small>{g.verdict.ready ? `ready ${g.verdict.figure} ${g.verdict.unit}` : g.verdict.figure}</small>
          </Tab>
        ))}
      </Tabs>
      {leave.map(({ g, k }) => (
        <Button key={k} onPress={() => takeOut(k, g.outMin)}>
          Take the {g.name} out at {minutes(g.outMin)}, leave the others
        </Button>
      ))}
    </Row>
  );
}
