import type { ReactNode } from 'react';
import styled from 'styled-components';
import { at, type } from '../theme/tokens';

export const Page = styled.main.attrs({ id: 'page', tabIndex: -1 })`
  outline: none;
  max-width: 1320px;
  margin: 0 auto;
  padding: 6px 28px 40px;
  ${at.phone} {
    padding: 4px 14px 96px;
  }
`;

export const Card = styled.section`
  background: var(--surface);
  border-radius: 16px;
  padding: 14px;
`;

export const Quiet = styled.p`
  color: var(--quiet);
`;

/** Looks like a title where the page's own names more. */
export const Heading = styled.p`
  font: 700 27px/1.15 ${type.loud};
`;

export const Title = styled.h1`
  font: 700 27px/1.15 ${type.loud};
`;

const Box = styled(Card)`
  display: grid;
  gap: 10px;
  justify-items: start;
  padding: 28px;
  max-width: 640px;
  margin: 32px auto;
  h1 {
    font-size: 24px;
  }
`;

/** What a screen shows when it has nothing, or could not be had. */
export function Blank({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box>
      <h1>{title}</h1>
      {children}
    </Box>
  );
}
