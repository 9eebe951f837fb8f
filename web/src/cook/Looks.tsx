import styled from 'styled-components';
import { Button } from '../ui/Button';

const Shades = styled.div`
  display: flex;
  border-radius: 14px;
  overflow: hidden;
`;

const Shade = styled(Button)`
  flex: 1;
  min-height: 64px;
  padding: 0 4px;
  border: 0;
  border-radius: 0;
  font-size: 16px;
  &[data-focus-visible] {
    outline-offset: -4px;
  }
`;

const shades: [string, string, string][] = [
  ['pale', '#ead7b6', '#16292b'],
  ['straw', '#e0bb78', '#16292b'],
  ['gold', '#cb9145', '#16292b'],
  ['copper', '#9c5c22', '#ffffff'],
  ['dark', '#6f3d19', '#ffffff'],
];

/** How it looks, from pale to dark; what was said last is marked. */
export function Looks({ said, tell }: { said: number | null; tell: (shade: number) => void }) {
  return (
    <Shades role="group" aria-label="How it looks">
      {shades.map(([name, background, color], i) => (
        <Shade key={name} style={{ background, color }} aria-pressed={said === i} onPress={() => tell(i)}>
          {name}
          {said === i ? ' ✓' : ''}
        </Shade>
      ))}
    </Shades>
  );
}
