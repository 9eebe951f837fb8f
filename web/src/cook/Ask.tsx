import type { ReactNode } from 'react';
import { Dialog, Heading } from 'react-aria-components';
import styled from 'styled-components';
import { type } from '../theme/tokens';
import { Box, Over } from '../ui/modal';

const Narrow = styled(Box)`
  width: min(560px, 100%);
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
      <Narrow>
        <Inside>
          <Title slot="title" level={2}>
            {title}
          </Title>
          {children}
        </Inside>
      </Narrow>
    </Over>
  );
}
