import { useState } from 'react';
import { Input, Label, ListBox, ListBoxItem, ListBoxSection, Header, SearchField } from 'react-aria-components';
import styled from 'styled-components';
import type { CutInfo } from '../../api/client';
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

const SCALE = 0.5;
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
  cuts: CutInfo[];
  value: string;
  units: Units;
  onChange: (cut: CutInfo) => void;
}

/** All cuts, drawn to scale with each other; the latest used first. */
export function CutPicker({ cuts, value, units, onChange }: Props) {
  const [search, setSearch] = useState('');
  const [lately] = useState(recent);
  const wanted = search.trim().toLowerCase();
  const one = wanted.replace(/(?<=[a-z]{3})e?s$/, '');
  const found = cuts.filter((c) => {
    const names = [c.name, c.plural, c.group, ...c.also].join(' ').toLowerCase();
    return names.includes(wanted) || names.includes(one) || one.split(' ').every((w) => names.includes(w));
  });
  const latest = wanted ? [] : lately.flatMap((id) => cuts.find((c) => c.id === id) ?? []);
  const groups = [
    ...(latest.length > 0 ? [{ name: 'Used lately', key: 'recent:', cuts: latest }] : []),
    ...[...new Set(found.map((c) => c.group))].map((name) => ({
      name,
      key: '',
      cuts: found.filter((c) => c.group === name),
    })),
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
      {groups.length === 0 ? <Quiet>No cut is called that.</Quiet> : null}
      <List
        aria-label="Cuts"
        layout="grid"
        selectionMode="single"
        selectedKeys={[value]}
        disallowEmptySelection
        onSelectionChange={(keys) => {
          if (keys === 'all') return;
          for (const id of keys) take(String(id).replace('recent:', ''));
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
