import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Dialog, DialogTrigger, Heading, Popover } from 'react-aria-components';
import styled from 'styled-components';

const Sheet = styled(Popover)`
  background: var(--surface);
  color: var(--ink);
  border: 1px solid var(--line);
  border-radius: 14px;
  padding: 14px;
  width: 320px;
  max-width: calc(100vw - 24px);
  overflow: auto;
  outline: none;
`;

const Inside = styled(Dialog)`
  display: grid;
  gap: 12px;
  outline: none;
`;

const Title = styled(Heading)`
  font-size: 17px;
`;

interface Props {
  title: string;
  /** The button that opens it. */
  children: ReactNode;
  body: ReactNode | ((close: () => void) => ReactNode);
  width?: number;
  /** Whether a press means to open it; a drag that ends on the button does not. */
  mayOpen?: () => boolean;
}

const Wide = styled(Sheet)`
  width: 440px;
`;

/** Where a choice comes first, arrow keys choose at once. */
function OnTheChoice() {
  const here = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    const dialog = here.current?.closest('section');
    const first = dialog?.querySelector<HTMLElement>('input, button, select, a[href]');
    if (!first?.matches('input[type="radio"]')) return;
    (dialog?.querySelector<HTMLElement>('input[type="radio"]:checked') ?? first).focus();
  }, []);
  return <span ref={here} hidden />;
}

/** A small popover for one decision. */
export function Pop({ title, children, body, width, mayOpen }: Props) {
  const [open, setOpen] = useState(false);
  const Box = width && width > 320 ? Wide : Sheet;
  return (
    <DialogTrigger isOpen={open} onOpenChange={(wanted) => setOpen(wanted && (mayOpen?.() ?? true))}>
      {children}
      <Box offset={10} containerPadding={12}>
        <Inside>
          {({ close }) => (
            <>
              <Title slot="title" level={2}>
                {title}
              </Title>
              {typeof body === 'function' ? body(close) : body}
              <OnTheChoice />
            </>
          )}
        </Inside>
      </Box>
    </DialogTrigger>
  );
}
