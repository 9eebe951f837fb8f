import { useState } from 'react';
import { Input, Label, ListBox, ListBoxItem, ListBoxSection, Header, SearchField } from 'react-aria-components';
import styled from 'styled-components';
import type { Catalog, CutInfo } from '../../api/client';
import { drawerOf } from '../../api/place';
import type { Units } from '../../format/units';
import { fieldBox, labelled } from '../../ui/field';
import { Quiet } from '../../ui/layout';
import { CutDrawing } from './CutDrawing';

const Find = styled(SearchField)`
  ${labelled}
  input {
    ${fieldBox}
  }
`;

const List = styled(ListBox)`
  max-height: 330px;
  overflow: auto;
  outline: none;
  margin: 0 -6px;
  padding: 2px 6px;
` as typeof ListBox;

const Section = styled(ListBoxSection)`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(124px, 1fr));
  gap: 6px;
  margin-bottom: 10px;
` as typeof ListBoxSection;

const Group = styled(Header)`
  grid-column: 1 / -1;
  font-size: 14px;
  color: var(--quiet);
  padding: 4px 2px 0;
`;

const Item = styled(ListBoxItem)`
  display: grid;
  justify-items: center;
  align-content: end;
  gap: 4px;
  min-height: 98px;
  padding: 8px 4px 7px;
  border: 1.5px solid var(--line);
  border-radius: 11px;
  font-size: 14px;
  line-height: 1.2;
  text-align: center;
  cursor: pointer;
  small {
    color: var(--quiet);
    font-size: 12.5px;
  }
  &[data-hovered] {
    background: var(--soft);
  }
  &[data-selected] {
    border-color: var(--ink);
    background: var(--soft);
    font-weight: 600;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
  }
`;

const SCALE = 0.46;

const inWords = (text: string) => ` ${text.split(/[^\p{L}\d]+/u).join(' ')} `;

/** Whether all words of a name stand in what is said, as they are or in the plural. */
const says = (said: string, name: string) =>
  name.split(' ').every((w) => ['', 's', 'es'].some((end) => said.includes(` ${w}${end} `)));

/** The cuts that may be meant by what is typed, and, where none is, the nearest ones. */
export function find({ cuts, names, shapes }: Catalog, wanted: string) {
  if (!wanted) return { found: cuts, nearest: [] };
  const said = inWords(wanted);
  const typed = said.trim().split(' ');
  // What is being typed is the beginning of a name.
  const begins = (name: string) => {
    const has = name.toLowerCase().split(/[^\p{L}\d]+/u);
    return typed.every((w) => has.some((h) => h.startsWith(w)));
  };
  const meant = names.find((n) => says(said, n.words));
  const found = cuts.filter(
    (c) =>
      [c.name, c.plural, c.group].some(begins) ||
      (meant && !meant.near && meant.cut === c.id) ||
      names.some((n) => !n.near && n.cut === c.id && begins(n.words)),
  );
  if (found.length > 0 && !meant?.near) return { found, nearest: [] };
  const of = (ids: string[]) => cuts.filter((c) => ids.includes(c.id));
  const near = names.filter((n) => n.near && (n === meant || begins(n.words))).map((n) => n.cut);
  if (near.length > 0) return { found, nearest: [{ says: 'Nearest by shape and rule', cuts: of(near) }] };
  return { found, nearest: shapes.map((s) => ({ says: `If it is ${s.says}`, cuts: of([s.meat, s.plant]) })) };
}

const RECENT = drawerOf('cuts');

function recent(): string[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(RECENT) ?? '[]');
    return Array.isArray(kept) ? kept.filter((k): k is string => typeof k === 'string') : [];
  } catch {
    return [];
  }
}

interface Props {
  catalog: Catalog;
  value: string;
  units: Units;
  onChange: (cut: CutInfo) => void;
}

/** All cuts, drawn to scale with each other; the latest used first. */
export function CutPicker({ catalog, value, units, onChange }: Props) {
  const [search, setSearch] = useState('');
  const [lately] = useState(recent);
  const { cuts } = catalog;
  const wanted = search.trim().toLowerCase();
  const { found, nearest } = find(catalog, wanted);
  const latest = wanted ? [] : lately.flatMap((id) => cuts.find((c) => c.id === id) ?? []);
  const groups = [
    ...(latest.length > 0 ? [{ name: 'Used lately', key: 'recent:', cuts: latest }] : []),
    ...[...new Set(found.map((c) => c.group))].map((name) => ({
      name,
      key: '',
      cuts: found.filter((c) => c.group === name),
    })),
    ...nearest.map(({ says, cuts }) => ({ name: says, key: `${says}:`, cuts })),
  ];
  const take = (id: string) => {
    const cut = cuts.find((c) => c.id === id);
    if (!cut) return;
    localStorage.setItem(RECENT, JSON.stringify([id, ...lately.filter((k) => k !== id)].slice(0, 4)));
    onChange(cut);
  };
  return (
    <>
      <Find value={search} onChange={setSearch}>
        <Label>Of which cut</Label>
        <Input placeholder="wing, prawn, potato…" />
      </Find>
      {found.length === 0 && nearest.length > 0 ? (
        <Quiet role="status">
          {nearest.length === 1
            ? `Not here by that name. The nearest by shape and rule is below: weigh one, and measure it.`
            : 'Nothing here is called that. Take what it is by shape, weigh one and measure it.'}
        </Quiet>
      ) : null}
      <List
        aria-label="Cuts"
        layout="grid"
        selectionMode="single"
        selectedKeys={[value]}
        disallowEmptySelection
        onSelectionChange={(keys) => {
          if (keys === 'all') return;
          for (const id of keys) take(String(id).split(':').at(-1) ?? '');
        }}
      >
        {groups.map((g) => (
          <Section key={g.key + g.name} aria-label={g.name}>
            <Group>{g.name}</Group>
            {g.cuts.map((c) => (
              <Item key={c.id} id={g.key + c.id} textValue={c.name}>
                <CutDrawing cut={c} scale={SCALE} />
                {c.name}
                <small>{units.mass(c.typicalG)}</small>
              </Item>
            ))}
          </Section>
        ))}
      </List>
    </>
  );
}
