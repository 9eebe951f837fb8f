import { useQueryClient } from '@tanstack/react-query';
import { Check, FileUp, HelpCircle, NotebookPen } from 'lucide-react';
import { useEffect, useState } from 'react';
import { FileTrigger, Label, TextArea, TextField } from 'react-aria-components';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { addPlan, readRecipe, useCatalog, useFryers, usePantry, useSettings } from '../api/queries';
import { unitsOf } from '../format/units';
import { Refusal } from '../api/client';
import { at, type } from '../theme/tokens';
import { Button, MainButton } from '../ui/Button';
import { fieldBox, labelled } from '../ui/field';
import { Blank, Card, Page, Quiet, Title } from '../ui/layout';
import { Labelled, Select } from '../ui/Select';
import { PutRight, PutStepRight } from './PutRight';
import { UnknownIngredients } from './Unknown';

type Read = Schemas['RecipeRead'];
type Line = Schemas['RecipeLine'];
type Fix = Schemas['RecipeFix'];

const Area = styled(TextField)`
  ${labelled}
  textarea {
    ${fieldBox}
    min-height: 220px;
    padding: 10px 12px;
    resize: vertical;
    line-height: 1.45;
  }
`;

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 10px 0;
`;

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

// Letters that are still shown, to be read and changed.
const LONG = 60_000;

/** A recipe from elsewhere: as it stood beside what was understood, each line to be put right, then a dish. */
export default function BringPage() {
  const catalog = useCatalog();
  const fryers = useFryers();
  const pantry = usePantry();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [typed, setTyped] = useState('');
  // A saved page is not for the eye: it stays a file.
  const [file, setFile] = useState<{ name: string; text: string } | null>(null);
  const text = file?.text ?? typed;
  const [fixes, setFixes] = useState<Fix[]>([]);
  const [read, setRead] = useState<Read | null>(null);
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const [chosen, setChosen] = useState('');
  useEffect(() => {
    document.title = 'A recipe · Velocrustum';
  }, []);
  const settings = useSettings().data;
  const units = unitsOf(settings ?? { temperature: 'C', mass: 'g' });
  const fryerId = chosen || (fryers.data?.[0]?.id ?? '');
  const ask = async (from: string, put: Fix[], fryer: string) => {
    setBusy(true);
    try {
      setRead(await readRecipe({ text: from, fryerId: fryer, fixes: put }));
      setProblem('');
    } catch (cause) {
      setProblem(cause instanceof Refusal ? cause.message : 'That went wrong here. What you pasted is still there.');
    }
    setBusy(false);
  };
  const begin = (from: string) => {
    setFixes([]);
    setRead(null);
    void ask(from, [], fryerId);
  };
  const put = (fix: Fix) => {
    const before = fixes.find((f) => f.line === fix.line);
    const next = [...fixes.filter((f) => f.line !== fix.line), { ...before, ...fix }];
    setFixes(next);
    void ask(text, next, fryerId);
  };
  const open = async (list: FileList | null) => {
    const chosen = list?.[0];
    if (!chosen) return;
    const got = await chosen.text();
    const long = got.length > LONG || /^\s*</.test(got);
    setFile(long ? { name: chosen.name, text: got } : null);
    setTyped(long ? '' : got);
    begin(got);
  };
  const keep = () => {
    if (read?.dish) void navigate(`/plan/${addPlan(queries, read.dish).id}`);
  };
  if (!catalog.data || !fryers.data || !pantry.data)
    return (
      <Page>
        {catalog.isError || fryers.isError || pantry.isError ? (
          <Blank title="The pantry could not be had">
            <Quiet>The kitchen computer does not answer. Nothing is lost.</Quiet>
          </Blank>
        ) : (
          <Quiet role="status">Opening it…</Quiet>
        )}
      </Page>
    );
  const count = (which: (l: Line) => boolean) => read?.lines.filter(which).length ?? 0;
  const notes = count((l) => !l.understood && l.step);
  const unclear = count((l) => !l.understood && !l.step);
  return (
    <Page>
      <Title>A recipe from elsewhere</Title>
      <Quiet>
        Paste it, or open a file: text, Markdown, a saved page, or JSON-LD. Nothing is fetched. Each line is shown with
        what was understood of it; what was not is said, and left out.
      </Quiet>
      <Card aria-label="The recipe">
        <Area
          value={typed}
          maxLength={1_000_000}
          onChange={(t) => {
            setTyped(t);
            setFile(null);
          }}
        >
          <Label>The recipe, ingredients and steps each on a line of its own</Label>
          <TextArea />
        </Area>
        <Row>
          <MainButton isDisabled={text.trim() === '' || busy} onPress={() => begin(text)}>
            Read it
          </MainButton>
          <FileTrigger
            acceptedFileTypes={['.txt', '.md', '.html', '.htm', '.json', '.jsonld']}
            onSelect={(l) => void open(l)}
          >
            <Button>
              <FileUp size={17} aria-hidden /> Open a file
            </Button>
          </FileTrigger>
          <Labelled>
            <span className="quietly">For which fryer</span>
            <Select
              value={fryerId}
              onChange={(e) => {
                setChosen(e.target.value);
                if (read) void ask(text, fixes, e.target.value);
              }}
            >
              {fryers.data.map((f) => (
                <option key={f.id} value={f.id}>
                  for the {f.name}
                </option>
              ))}
            </Select>
          </Labelled>
        </Row>
        {file ? <Quiet role="status">{file.name} is opened.</Quiet> : null}
        {problem ? <p role="alert">{problem}</p> : null}
      </Card>
      {read ? (
        <Card aria-label="What was understood" aria-busy={busy} style={{ marginTop: 16 }}>
          <Told>
            {read.name}: {count((l) => l.understood)} of {read.lines.length} lines understood
            {notes === 1 ? ', one kept as a note' : notes > 0 ? `, ${notes} kept as notes` : ''}
            {unclear > 0 ? `, ${unclear} not understood` : ''}.
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
              catalog={catalog.data}
              added={(u) => put({ line: u.line, ingredient: u.ingredient.id })}
            />
          ) : null}
          {read.converted ? (
            <p>
              <b>Why its times are others here.</b> {read.converted}
            </p>
          ) : null}
          <Row>
            <MainButton isDisabled={!read.dish || busy} onPress={keep}>
              Make the dish
            </MainButton>
          </Row>
          <Lines aria-label="Lines">
            {read.lines.map((l, n) => (
              <li key={n}>
                <span>
                  {l.text}
                  {l.group ? <small>{l.group}</small> : null}
                </span>
                {l.understood ? (
                  <Check size={20} aria-label="understood" color="var(--safe)" />
                ) : l.step ? (
                  <NotebookPen size={19} aria-label="a note" color="var(--quiet)" />
                ) : (
                  <HelpCircle size={20} aria-label="not understood" color="var(--heat)" />
                )}
                <span data-open={!l.understood && !l.step ? true : undefined}>{l.says}</span>
                {read.own ? (
                  <span />
                ) : l.step ? (
                  <PutStepRight line={l} n={n} catalog={catalog.data} units={units} put={put} />
                ) : (
                  <PutRight line={l} n={n} catalog={catalog.data} pantry={pantry.data.ingredients} put={put} />
                )}
              </li>
            ))}
          </Lines>
        </Card>
      ) : null}
    </Page>
  );
}
