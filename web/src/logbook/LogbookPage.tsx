import { useQueryClient } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Input, Label, SearchField } from 'react-aria-components';
import { Link } from 'react-router';
import styled from 'styled-components';
import { pictureUrl } from '../api/pictures';
import { place } from '../api/place';
import { deleteCook, restoreCook, useCooks, useSettings } from '../api/queries';
import { cssLab } from '../format/colour';
import { clock, day, unitsOf } from '../format/units';
import { at } from '../theme/tokens';
import { Button, PlainButton } from '../ui/Button';
import { fieldBox, labelled } from '../ui/field';
import { Blank, Page, Quiet, Title } from '../ui/layout';
import { Select } from '../ui/Select';
import { complain, say } from '../ui/toast';
import { HowRight } from './HowRight';
import { Seasons, type Summary } from './Seasons';
import { TwoCooks } from './TwoCooks';
import { crustWords, insideWords } from './words';

const List = styled.ol`
  list-style: none;
  padding: 0;
  margin: 16px 0 0;
  display: grid;
  gap: 10px;
`;

const Entry = styled.li`
  display: flex;
  align-items: center;
  background: var(--surface);
  border-radius: 14px;
  a {
    flex: 1;
    min-width: 0;
    display: grid;
    grid-template-columns: 62px minmax(0, 1.1fr) minmax(0, 1fr) minmax(0, 1.5fr);
    gap: 4px 18px;
    align-items: center;
    padding: 13px 6px 13px 14px;
    text-decoration: none;
  }
  strong {
    display: block;
    font-weight: 600;
    font-size: 17px;
  }
  small {
    color: var(--quiet);
    font-size: 14.5px;
  }
  ${at.narrow} {
    a {
      grid-template-columns: 50px minmax(0, 1fr);
    }
    a > :nth-child(n + 3) {
      grid-column: 2;
    }
  }
`;

const Faces = styled.span`
  display: grid;
  grid-template-columns: 1fr 1fr;
  height: 44px;
  border-radius: 10px;
  overflow: hidden;
  background: var(--soft);
`;

const Seen = styled.img`
  display: block;
  width: 100%;
  height: 44px;
  border-radius: 10px;
  object-fit: cover;
  background: var(--soft);
`;

const Away = styled(PlainButton)`
  min-width: 48px;
  min-height: 48px;
  color: var(--quiet);
`;

const Choose = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 10px 14px;
  margin: 12px 0;
  label {
    ${labelled}
  }
`;

const Stack = styled.div`
  display: grid;
  gap: 14px;
`;

const More = styled.p`
  margin-top: 14px;
`;

const Find = styled(SearchField)`
  ${labelled}
  flex: 0 1 300px;
  max-width: 100%;
  min-width: 0;
  input {
    ${fieldBox}
    width: 100%;
    min-width: 0;
  }
`;

// As many as are drawn at once: a household has thousands.
const PAGE = 60;

interface ChosenProps {
  label: string;
  every: string;
  of: { name: string; n: number }[];
  value: string;
  choose: (name: string) => void;
}

/** One of what there is, or all of it. */
function Chosen({ label, every, of, value, choose }: ChosenProps) {
  return (
    <label>
      {label}
      <Select value={value} onChange={(e) => choose(e.target.value)}>
        <option value="">{every}</option>
        {of.map(({ name, n }) => (
          <option key={name} value={name}>
            {name} ({n})
          </option>
        ))}
      </Select>
    </label>
  );
}

/** One cook in the list. */
function Row({ cook: c, remove }: { cook: Summary; remove: () => void }) {
  return (
    <Entry>
      <Link to={`/logbook/${c.id}`}>
        {c.picture ? (
          <Seen src={pictureUrl(c.picture.id, 'small')} alt={c.picture.alt} loading="lazy" />
        ) : (
          <Faces aria-hidden>
            {(c.lab ?? []).map((lab, i) => (
              <span key={i} style={{ background: cssLab(lab) }} />
            ))}
          </Faces>
        )}
        <span>
          <strong>
            {c.name}
            {(c.baskets ?? 1) > 1 ? ` ${c.basket ?? 1}` : ''}
          </strong>
          <small>
            {day(c.startedAt)}, {clock(c.startedAt)}
            {c.evening ? `, of ${c.evening}` : ''}
          </small>
        </span>
        <span>
          {c.actualMin == null ? 'given up before it went in' : `${Math.round(c.actualMin)} min`}
          {c.actualMin != null && c.plannedMin != null ? <small>, planned {Math.round(c.plannedMin)}</small> : null}
          <br />
          <small>
            {c.crust ? `crust ${crustWords[c.crust] ?? c.crust}` : 'not judged yet'}
            {c.inside ? `, inside ${insideWords[c.inside] ?? c.inside}` : ''}
          </small>
        </span>
        <small>{c.note}</small>
      </Link>
      <Away aria-label={`Delete the cook of ${c.name}, ${day(c.startedAt)}`} onPress={remove}>
        <Trash2 size={18} aria-hidden />
      </Away>
    </Entry>
  );
}

/** All cooks: over time, compared, and the latest first. */
export default function LogbookPage() {
  const cooks = useCooks();
  const queries = useQueryClient();
  const [search, setSearch] = useState('');
  const settings = useSettings();
  const [pages, setPages] = useState(1);
  const [dish, setDish] = useState('');
  const [fryer, setFryer] = useState('');
  const [picked, setPicked] = useState<string[]>([]);
  useEffect(() => {
    document.title = 'Logbook · Velocrustum';
  }, []);
  const again = () => queries.invalidateQueries({ queryKey: ['cooks'] });
  const remove = async (c: Summary) => {
    try {
      await deleteCook(c.id);
      await again();
      say(`${c.name} is out of the logbook.`, {
        label: 'Bring it back',
        run: () => void restoreCook(c.id).then(again, complain),
      });
    } catch (cause) {
      complain(cause);
    }
  };
  if (cooks.isError && cooks.data === undefined)
    return (
      <Page>
        <Blank title="The logbook could not be had">
          <Quiet>{cooks.error.message}</Quiet>
          <Button onPress={() => void cooks.refetch()}>Try again</Button>
        </Blank>
      </Page>
    );
  const finished = (cooks.data ?? []).filter((c) => !c.live);
  const evenings = finished
    .filter((c, i) => c.eveningId && finished.findIndex((o) => o.eveningId === c.eveningId) === i)
    .slice(0, 12);
  const wanted = search.trim().toLowerCase();
  const counted = (of: (c: Summary) => string) =>
    [...new Set(finished.map(of))].sort().map((name) => ({ name, n: finished.filter((c) => of(c) === name).length }));
  const dishes = counted((c) => c.name);
  const fryers = counted((c) => c.fryer ?? '');
  const found = finished.filter(
    (c) =>
      (dish === '' || c.name === dish) &&
      (fryer === '' || c.fryer === fryer) &&
      `${c.name} ${c.evening ?? ''} ${c.note ?? ''} ${day(c.startedAt)}`.toLowerCase().includes(wanted),
  );
  const [one, two] = finished.filter((c) => picked.includes(c.id));
  const shown = found.slice(0, pages * PAGE);
  return (
    <Page>
      <Title>Logbook</Title>
      <Quiet>{cooks.data ? 'What was planned, what happened, and what to change next time.' : 'Opening it…'}</Quiet>
      {cooks.data && finished.length === 0 ? (
        <Blank title="Nothing cooked yet">
          <Quiet>Every cook lands here by itself when the food is out. Start one from a plan.</Quiet>
          <Link to="/plan">To the plan</Link>
        </Blank>
      ) : null}
      {finished.length > 0 ? (
        <p>
          <a href={`${place}/api/v1/logbook`} download="logbook.csv">
            All of it as a table
          </a>
        </p>
      ) : null}
      {evenings.length > 0 ? (
        <p>
          Suppers:{' '}
          {evenings.map((c, i) => (
            <span key={c.eveningId}>
              {i > 0 ? ' · ' : ''}
              <Link to={`/logbook/evening/${c.eveningId ?? ''}`}>
                {c.evening}, {day(c.startedAt)}
              </Link>
            </span>
          ))}
        </p>
      ) : null}
      {finished.length > 1 ? (
        <Choose>
          <Chosen label="Dish" every="All dishes" of={dishes} value={dish} choose={setDish} />
          {fryers.length > 1 ? (
            <Chosen label="Fryer" every="Any fryer" of={fryers} value={fryer} choose={setFryer} />
          ) : null}
          <Find
            value={search}
            onChange={(t) => {
              setSearch(t);
              setPages(1);
            }}
          >
            <Label>Find among {finished.length}</Label>
            <Input placeholder="a word of a note, a month…" />
          </Find>
        </Choose>
      ) : null}
      {finished.length > 0 && found.length === 0 ? <Quiet role="status">There is none like that.</Quiet> : null}
      <Stack>
        {found.length > 1 ? (
          <Seasons
            key={dish + fryer + wanted}
            cooks={found}
            picked={picked}
            pick={(id, on) => setPicked((now) => (on ? [...now.slice(-1), id] : now.filter((p) => p !== id)))}
          />
        ) : null}
        {one && two ? <TwoCooks pair={[two, one]} close={() => setPicked([])} /> : null}
      </Stack>
      <List>
        {shown.map((c) => (
          <Row key={c.id} cook={c} remove={() => void remove(c)} />
        ))}
      </List>
      {found.length > shown.length ? (
        <More>
          <Button onPress={() => setPages((n) => n + 1)}>Earlier ones ({found.length - shown.length} more)</Button>
        </More>
      ) : null}
      <HowRight units={unitsOf(settings.data ?? { temperature: 'C', mass: 'g' })} />
    </Page>
  );
}
