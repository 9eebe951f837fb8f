import type { ReactNode } from 'react';
import { Dialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';
import { type } from '../theme/tokens';

const Over = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  display: grid;
  place-items: center;
  padding: 16px;
  background: var(--shade);
  z-index: 40;
`;

const Box = styled(Modal)`
  width: min(560px, 100%);
  max-height: 100%;
  overflow: auto;
  border-radius: 16px;
  background: var(--surface);
  color: var(--ink);
  outline: none;
`;

const Inside = styled(Dialog)`
  display: grid;
  gap: 14px;
  padding: 22px;
  font-size: 19px;
  line-height: 1.4;
  outline: none;
`;

const Title = styled(Heading)`
  font: 700 28px/1.15 ${type.loud};
`;

interface Props {
  title: string;
  open: boolean;
  shut: () => void;
  children: ReactNode;
}

/** One question over everything, with answers that a knuckle hits. */
export function Ask({ title, open, shut, children }: Props) {
  return (
    <Over
      isOpen={open}
      isDismissable
      onOpenChange={(yes) => {
        if (!yes) shut();
      }}
    >
      <Box>
        <Inside>
          <Title slot="title" level={2}>
            {title}
          </Title>
          {children}
        </Inside>
      </Box>
    </Over>
  );
}
