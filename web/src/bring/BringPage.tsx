import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { Refusal, type Schemas } from '../api/client';
import { addPlan, keepSupper, readRecipe, useCatalog, useFryers, usePantry, useSettings } from '../api/queries';
import { unitsOf } from '../format/units';
import { Blank, Page, Quiet, Title } from '../ui/layout';
import { RecipeForm } from './RecipeForm';
import { supperOf } from './supperOf';
import { Understood } from './Understood';

type Read = Schemas['RecipeRead'];
type Fix = Schemas['RecipeFix'];

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
  const keep = (supper: boolean) => {
    if (!read?.dish) return;
    const other = read.beside?.dish && addPlan(queries, read.beside.dish);
    const beside = other && read.dish.drawer ? { besideId: other.id, ready: 'together' as const } : {};
    const made = addPlan(queries, { ...read.dish, ...beside });
    if (supper && catalog.data) {
      const plans = [made, ...(other ? [other] : [])];
      void navigate(`/supper/${keepSupper(queries, supperOf(read, plans, catalog.data.usual.evening)).id}`);
    } else void navigate(`/plan/${made.id}`);
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
  return (
    <Page>
      <Title>A recipe from elsewhere</Title>
      <Quiet>
        Paste it, or open a file: text, Markdown, a saved page, or JSON-LD. Nothing is fetched. Each line is shown with
        what was understood of it; what was not is said, and left out.
      </Quiet>
      <RecipeForm
        typed={typed}
        type={(t) => {
          setTyped(t);
          setFile(null);
        }}
        fileName={file?.name}
        text={text}
        busy={busy}
        problem={problem}
        begin={begin}
        open={open}
        fryers={fryers.data}
        fryerId={fryerId}
        choose={(id) => {
          setChosen(id);
          if (read) void ask(text, fixes, id);
        }}
      />
      {read ? (
        <Understood
          read={read}
          catalog={catalog.data}
          pantry={pantry.data.ingredients}
          units={units}
          busy={busy}
          put={put}
          keep={keep}
        />
      ) : null}
    </Page>
  );
}
