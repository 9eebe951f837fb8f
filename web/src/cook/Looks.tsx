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
  ['pale', 'var(--pale)', 'var(--on-light-crust)'],
  ['straw', 'var(--straw)', 'var(--on-light-crust)'],
  ['gold', 'var(--gold)', 'var(--on-light-crust)'],
  ['copper', 'var(--copper)', 'var(--on-dark-crust)'],
  ['dark', 'var(--dark)', 'var(--on-dark-crust)'],
];

/** How it looks, from pale to dark; what was said last is marked. */
export function Looks({ said, tell }: { said: number | null; tell: (shade: number, name: string) => void }) {
  return (
    <Shades role="group" aria-label="How it looks">
      {shades.map(([name, background, color], i) => (
        <Shade key={name} style={{ background, color }} aria-pressed={said === i} onPress={() => tell(i, name)}>
          {name}
          {said === i ? ' ✓' : ''}
        </Shade>
      ))}
    </Shades>
  );
}
