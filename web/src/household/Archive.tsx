import { useQueryClient } from '@tanstack/react-query';
import { Download, Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { FileTrigger, ProgressBar } from 'react-aria-components';
import styled from 'styled-components';
import { sendArchive, type ArchiveChoice, type Brought, type Progress } from '../api/archive';
import { place } from '../api/place';
import { day } from '../format/units';
import { Button, ButtonLink, MainButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Quiet } from '../ui/layout';
import { complain, say } from '../ui/toast';

const Table = styled.table`
  border-collapse: collapse;
  width: 100%;
  font-variant-numeric: tabular-nums;
  th,
  td {
    padding: 4px 6px;
    text-align: right;
    border-top: 1px solid var(--line);
    font-weight: 400;
  }
  th:first-child {
    text-align: left;
  }
  thead th {
    border: 0;
    color: var(--quiet);
    font-size: 14px;
  }
`;

const Bar = styled(ProgressBar)`
  display: grid;
  gap: 4px;
  progress {
    width: 100%;
    accent-color: var(--heat);
  }
`;

const Which = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 10px;
  max-height: 420px;
  overflow-y: auto;
`;

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
`;

const words: Record<ArchiveChoice, string> = { keep: 'As it is here', take: 'As it comes', both: 'Both' };
const stages = { reading: 'Reading it', comparing: 'Holding it against yours', keeping: 'Putting it in' };

const keyOf = (d: Brought['differences'][number]) => `${d.kind}/${d.id}`;
const things = (n: number) => (n === 1 ? 'One thing is' : `${n} things are`);

/** What an archive holds beside what is here, in figures. */
function Tally({ seen, name, news }: { seen: Brought; name: string; news: number }) {
  return (
    <>
      <p role="status">
        {seen.kept ? 'All of it is in' : name}, made {day(seen.made)}
        {seen.kept ? '.' : news === 0 && seen.differences.length === 0 ? ': all of it is here already.' : ':'}
      </p>
      <Table>
        <thead>
          <tr>
            <th scope="col">
              <span className="quietly">Kind</span>
            </th>
            <th scope="col">new</th>
            <th scope="col">the same</th>
            <th scope="col">different</th>
          </tr>
        </thead>
        <tbody>
          {seen.kinds
            .filter((k) => k.new + k.same + k.different > 0)
            .map((k) => (
              <tr key={k.kind}>
                <th scope="row">{k.kind}</th>
                <td>{k.new}</td>
                <td>{k.same}</td>
                <td>{k.different}</td>
              </tr>
            ))}
        </tbody>
      </Table>
      {seen.notes.map((n) => (
        <Quiet key={n}>{n}</Quiet>
      ))}
    </>
  );
}

/** What is decided on what differs: of all, and of each. */
interface Decided {
  others: ArchiveChoice | null;
  each: Record<string, ArchiveChoice>;
}

const nothing: Decided = { others: null, each: {} };

const decidedOn = ({ others, each }: Decided, d: Brought['differences'][number]) =>
  each[keyOf(d)] ?? (others && d.may.includes(others) ? others : others ? 'keep' : null);

/** What is here already, but not alike: what is to become of it. */
function Differences({ seen, decided, decide }: { seen: Brought; decided: Decided; decide: (d: Decided) => void }) {
  const { differences } = seen;
  return (
    <>
      <p>{things(differences.length)} here already, but not alike. What is to become of them?</p>
      <Choice
        label="Of all"
        row
        options={(['keep', 'take', 'both'] as const).map((id) => ({ id, name: words[id] }))}
        value={decided.others}
        onChange={(others) => decide({ others, each: {} })}
      />
      <Which aria-label="What differs">
        {differences.map((d) => (
          <li key={keyOf(d)}>
            <Choice
              label={`${d.name} (${d.kind})`}
              row
              options={d.may.map((id) => ({ id, name: words[id] }))}
              value={decidedOn(decided, d)}
              onChange={(c) => decide({ ...decided, each: { ...decided.each, [keyOf(d)]: c } })}
            />
          </li>
        ))}
      </Which>
    </>
  );
}

/** The whole household out as one file, and one that comes in: looked at first, then decided on. */
export function Archive() {
  const queries = useQueryClient();
  const [file, setFile] = useState<File | null>(null);
  const [seen, setSeen] = useState<Brought | null>(null);
  const [trouble, setTrouble] = useState('');
  const [progress, setProgress] = useState<Progress | null>(null);
  const [decided, decide] = useState(nothing);
  const running = useRef<AbortController | null>(null);

  const send = async (of: File, put: boolean) => {
    running.current?.abort();
    const mine = new AbortController();
    running.current = mine;
    setTrouble('');
    setProgress({ stage: 'reading', done: 0, of: 1 });
    try {
      const choices = put ? { others: decided.others ?? ('keep' as const), each: decided.each } : null;
      const got = await sendArchive(of, choices, setProgress, mine.signal);
      if (running.current !== mine) return;
      setSeen(got);
      if (got.kept) {
        setFile(null);
        await queries.invalidateQueries();
        say('All of it is in.');
      }
    } catch (cause) {
      if (mine.signal.aborted) return;
      if (cause instanceof Error) setTrouble(`${cause.name}. ${cause.message}`);
      else complain(cause);
    } finally {
      if (running.current === mine) setProgress(null);
    }
  };
  const choose = (list: FileList | null) => {
    const chosen = list?.[0];
    if (!chosen) return;
    setFile(chosen);
    setSeen(null);
    decide(nothing);
    void send(chosen, false);
  };
  const giveUp = () => {
    running.current?.abort();
    setProgress(null);
    setFile(null);
    setSeen(null);
    setTrouble('');
  };
  const differences = seen?.differences ?? [];
  const open = differences.filter((d) => decidedOn(decided, d) === null).length;
  const news = seen?.kinds.reduce((n, k) => n + k.new, 0) ?? 0;

  return (
    <>
      <Quiet>
        Fryers, dishes, pantry, suppers and the logbook with its pictures as one zip file: JSON and tables that other
        programs read, with a sum of each. What is cooking now is not in it.
      </Quiet>
      <Row>
        <ButtonLink href={`${place}/api/v1/archive`} download>
          <Download size={17} aria-hidden /> Take it all away
        </ButtonLink>
        <FileTrigger acceptedFileTypes={['.zip', 'application/zip']} onSelect={choose}>
          <Button isDisabled={progress !== null}>
            <Upload size={17} aria-hidden /> {file ? 'Another one' : 'Bring one in'}
          </Button>
        </FileTrigger>
      </Row>
      {file ? null : seen?.kept ? null : <Quiet>It is looked at first; nothing changes until you say so.</Quiet>}
      {trouble ? (
        <p role="alert">
          {trouble} {file ? 'Nothing of it was kept.' : ''}
        </p>
      ) : null}
      {progress ? (
        <Bar aria-label={stages[progress.stage]} value={progress.done} maxValue={Math.max(1, progress.of)}>
          <span>{stages[progress.stage]}…</span>
          <progress value={progress.done} max={Math.max(1, progress.of)} aria-hidden />
          <div>
            <Button onPress={giveUp}>Stop</Button>
          </div>
        </Bar>
      ) : null}
      {seen && !progress ? <Tally seen={seen} name={file?.name ?? ''} news={news} /> : null}
      {seen && !seen.kept && !progress && file ? (
        <>
          {differences.length > 0 ? <Differences seen={seen} decided={decided} decide={decide} /> : null}
          {news + differences.length > 0 ? (
            <Row>
              <MainButton isDisabled={open > 0} onPress={() => void send(file, true)}>
                Put it in
              </MainButton>
              <Button onPress={giveUp}>Leave it</Button>
            </Row>
          ) : null}
          {open > 0 ? <Quiet>{open === 1 ? 'One is' : `${open} are`} still to be decided on.</Quiet> : null}
        </>
      ) : null}
    </>
  );
}
