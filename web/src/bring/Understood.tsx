import { Check, HelpCircle, NotebookPen } from 'lucide-react';
import styled from 'styled-components';
import type { Catalog, Schemas } from '../api/client';
import type { Units } from '../format/units';
import { at, type } from '../theme/tokens';
import { Button, MainButton } from '../ui/Button';
import { Card } from '../ui/layout';
import { PutRight, PutStepRight } from './PutRight';
import { Row } from './Row';
import { UnknownIngredients } from './Unknown';

type Line = Schemas['RecipeLine'];

const Lines = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 28px minmax(0, 1.1fr) 98px;
    gap: 4px 14px;
    align-items: center;
    padding: 8px 0;
    border-top: 1px solid var(--line);
    ${at.phone} {
      grid-template-columns: 28px minmax(0, 1fr) auto;
      > :first-child {
        grid-column: 1 / -1;
      }
    }
  }
  small {
    display: block;
    color: var(--quiet);
  }
  [data-open] {
    color: var(--heat);
    font-weight: 600;
  }
`;

const Told = styled.p`
  font: 600 20px/1.35 ${type.loud};
  margin: 6px 0;
`;

interface Props {
  read: Schemas['RecipeRead'];
  catalog: Catalog;
  pantry: Schemas['Ingredient'][];
  units: Units;
  busy: boolean;
  put: (fix: Schemas['RecipeFix']) => void;
  keep: (supper: boolean) => void;
}

/** A line as it stood, with what was not used of it marked in place. */
function Words({ line }: { line: Line }) {
  if (!line.parts || line.understood) return <>{line.text}</>;
  return <>{line.parts.map((p, k) => (p.unused ? <Unused key={k}>{p.text}</Unused> : p.text))}</>;
}

const Unused = styled.mark`
  color: inherit;
  background: var(--lemon-wash, transparent);
  text-decoration: underline wavy var(--heat) 1.5px;
  text-underline-offset: 3px;
`;

/** What was understood of a recipe, line by line, each to be put right. */
export function Understood({ read, catalog, pantry, units, busy, put, keep }: Props) {
  const count = (which: (l: Line) => boolean) => read.lines.filter(which).length;
  const notes = count((l) => l.understood && l.as === 'note');
  const unclear = count((l) => !l.understood);
  return (
    <Card aria-label="What was understood" aria-busy={busy} style={{ marginTop: 16 }}>
      <Told>
        {read.name}: {count((l) => l.understood)} of {read.lines.length} lines understood
        {notes === 1 ? ', one of them a note' : notes > 0 ? `, ${notes} of them notes` : ''}
        {unclear === 1 ? ', one still open' : unclear > 0 ? `, ${unclear} still open` : ''}.
      </Told>
      {read.own ? <p role="status">It left a Velocrustum, and is the same dish again.</p> : null}
      {read.refused?.map((why) => (
        <p key={why} role="alert">
          <b>No dish comes of it:</b> {why}
        </p>
      ))}
      {read.missing.map((m) => (
        <p key={m} role="status">
          Still open: {m}.
        </p>
      ))}
      {read.unknown.length > 0 ? (
        <UnknownIngredients
          unknown={read.unknown}
          catalog={catalog}
          added={(u) => put({ line: u.line, ingredient: u.ingredient.id })}
        />
      ) : null}
      {read.converted ? (
        <p>
          <b>Why its times are others here.</b> {read.converted}
        </p>
      ) : null}
      {read.beside ? (
        <p role="status">
          <b>
            {read.beside.own ? '' : 'For the other drawer: '}
            {read.beside.name}, a dish of its own.
          </b>{' '}
          {read.beside.converted} {read.beside.missing.map((m) => `Still open: ${m}. `)}
        </p>
      ) : null}
      {read.sides?.map((s) => (
        <p key={s.name} role="status">
          <b>{s.name}: eaten beside.</b> {s.buys.join('; ')}. {s.steps.join(' ')}
        </p>
      ))}
      <Row>
        <MainButton isDisabled={!read.dish || busy} onPress={() => keep(false)}>
          {read.beside?.dish ? 'Make both dishes' : 'Make the dish'}
        </MainButton>
        {read.sides || read.beside?.own ? (
          <Button isDisabled={!read.dish || busy} onPress={() => keep(true)}>
            Make a supper of it all
          </Button>
        ) : null}
      </Row>
      <Lines aria-label="Lines">
        {read.lines.map((l, n) => (
          <li key={n}>
            <span>
              <Words line={l} />
              {l.group ? <small>{l.group}</small> : null}
              {l.drawer ? <small>{l.drawer === 1 ? 'first drawer' : 'second drawer'}</small> : null}
            </span>
            {l.understood && l.as === 'note' ? (
              <NotebookPen size={19} aria-label="a note" color="var(--quiet)" />
            ) : l.understood ? (
              <Check size={20} aria-label="understood" color="var(--safe)" />
            ) : (
              <HelpCircle size={20} aria-label="not understood" color="var(--heat)" />
            )}
            <span data-open={!l.understood ? true : undefined}>
              {l.says}
              {l.another ? (
                <Row>
                  <Button onPress={() => put({ line: n, as: 'food' })}>Fried with it</Button>
                  <Button onPress={() => put({ line: n, as: 'dish' })}>A dish of its own</Button>
                  <Button onPress={() => put({ line: n, as: 'side' })}>A side</Button>
                </Row>
              ) : null}
            </span>
            {read.own ? (
              <span />
            ) : l.step ? (
              <PutStepRight line={l} n={n} catalog={catalog} units={units} put={put} />
            ) : (
              <PutRight line={l} n={n} catalog={catalog} pantry={pantry} put={put} />
            )}
          </li>
        ))}
      </Lines>
    </Card>
  );
}
