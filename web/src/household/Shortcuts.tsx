import { useEffect, useState } from 'react';
import { Dialog, Heading } from 'react-aria-components';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { useSettings } from '../api/queries';
import { Button, PlainButton } from '../ui/Button';
import { Box, Over } from '../ui/modal';
import { at } from '../theme/tokens';

const Sheet = styled(Dialog)`
  background: var(--surface);
  color: var(--ink);
  border-radius: 16px;
  padding: 22px;
  width: min(460px, calc(100vw - 24px));
  display: grid;
  gap: 14px;
  outline: none;
  dl {
    display: grid;
    grid-template-columns: max-content 1fr;
    gap: 8px 18px;
    margin: 0;
  }
  dt {
    font-weight: 600;
  }
  dd {
    margin: 0;
    color: var(--quiet);
  }
`;

const Mark = styled(PlainButton)`
  min-width: 40px;
  color: var(--quiet);
  ${at.phone} {
    display: none;
  }
`;

const keys: [string, string][] = [
  ['?', 'This sheet'],
  ['P  B  S  E  C  L', 'Plan, bench, pan (a sauce), supper (an evening), cook, logbook'],
  ['F  Y  H', 'Fryers, pantry, household'],
  ['Ctrl Z, Ctrl Shift Z', 'Undo and redo a change of the plan, the bench or the pan'],
  ['Arrow up, down', 'On a stage: hotter, cooler. Page up and down: larger steps'],
  ['Arrow left, right', 'On a stage: shorter, longer. On a turn: earlier, later'],
  ['Delete', 'On a stage or turn: take it away'],
];

const typing = (e: KeyboardEvent) =>
  e.target instanceof HTMLElement &&
  (e.target.closest('input, select, textarea, [contenteditable]') !== null ||
    e.target.closest('[role=dialog]') !== null);

export function Shortcuts() {
  const [open, setOpen] = useState(false);
  const navigate = useNavigate();
  const on = useSettings().data?.shortcuts ?? false;
  useEffect(() => {
    const go: Record<string, string> = {
      p: '/plan',
      b: '/bench',
      s: '/pan',
      e: '/supper',
      c: '/cook',
      l: '/logbook',
      f: '/fryers',
      y: '/pantry',
      h: '/household',
    };
    const press = (e: KeyboardEvent) => {
      if (!on || e.ctrlKey || e.metaKey || e.altKey || typing(e)) return;
      const to = go[e.key];
      if (e.key === '?') setOpen(true);
      else if (to) void navigate(to);
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, [on, navigate]);
  return (
    <>
      <Mark aria-label="? Keys" onPress={() => setOpen(true)}>
        ?
      </Mark>
      <Over isOpen={open} onOpenChange={setOpen} isDismissable>
        <Box>
          <Sheet>
            <Heading slot="title" level={2}>
              Keys
            </Heading>
            <dl>
              {keys.map(([key, what]) => (
                <div key={key} style={{ display: 'contents' }}>
                  <dt>{key}</dt>
                  <dd>{what}</dd>
                </div>
              ))}
            </dl>
            <Button slot="close">Close</Button>
          </Sheet>
        </Box>
      </Over>
    </>
  );
}
