import { X } from 'lucide-react';
import { useState } from 'react';
import styled from 'styled-components';
import type { Lot, SimulationRequest } from '../api/client';
import { requestOf } from '../dish/input';
import { type } from '../theme/tokens';
import { IconButton } from '../ui/Button';
import { Fold } from '../ui/Fold';
import { Part } from '../ui/sentence';
import { Card, Quiet } from '../ui/layout';
import { Controls } from './Controls';
import type { StationProps } from './props';
import { CoatLayers } from './CoatLayers';
import { SaltSection } from './Salt';
import { Skipped } from './Skipped';
import type { Station } from './useBench';

const Box = styled(Card)`
  display: flex;
  flex-direction: column;
  gap: 11px;
  padding: 16px;
`;

export const Name = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  h2 {
    font: 600 15px/1 ${type.plain};
    letter-spacing: 0;
    color: var(--quiet);
  }
`;

const Answer = styled.p`
  font: 700 22px/1.5 ${type.loud};
  letter-spacing: -0.012em;
  text-wrap: pretty;
`;

export const Caution = styled.p`
  border-left: 4px solid var(--lemon);
  padding-left: 10px;
  font-size: 14.5px;
`;

const Choices = styled.div`
  display: grid;
  gap: 11px;
  padding: 12px;
  border-radius: 12px;
  background: var(--paper);
`;

const Does = styled.p`
  font-weight: 600;
  font-size: 15px;
`;

const Each = styled.dl`
  margin: 0;
  font-size: 15px;
  dt {
    display: inline;
    color: var(--quiet);
    margin-right: 8px;
  }
  dd {
    display: inline;
    margin: 0;
    font-weight: 600;
  }
`;

/** A comma stays with the words before it, and is no part of the choice. */
const Mark = styled.span`
  display: inline-block;
`;

/** The phrases with the marks that follow them, and a full stop. */
function sentence(phrases: Station['phrases']) {
  const out = phrases.map((p) => ({ ...p, mark: '' }));
  out.forEach((p, k) => {
    const next = out[k + 1];
    if (!p.about) return;
    if (!next) p.mark = '.';
    else if (!next.about && /^[,;:.]/.test(next.says)) {
      p.mark = next.says.charAt(0);
      next.says = next.says.slice(1);
    }
  });
  return out;
}

/** A text's first sentence, and what follows it. */
function firstSentence(text: string): [string, string] {
  const end = text.search(/[.:] [A-Z]/);
  return end < 0 ? [text, ''] : [text.slice(0, end + 1), text.slice(end + 2)];
}

interface Props extends StationProps {
  station: Station;
  /** Its place in the order of the hands. */
  place: number;
  /** Takes it off the bench, where it can be. */
  drop: (() => void) | undefined;
  /** It is of all lots alike: how that is said, and what it does for each. */
  alike?: Alike | undefined;
  /** Whose it is, where another's stands beside it. */
  of?: string | undefined;
}

export interface Alike {
  says: string;
  does: { lot: string; says: string }[];
}

/** One step: its answer, why, what it does, and what can be chosen. */
export function StationCard({ station, place, drop, alike, of, ...props }: Props) {
  const { answer, plan, at } = props;
  const { id } = station;
  const [open, setOpen] = useState('');
  const [looking, setLooking] = useState(false);
  const when = props.when(id);
  const choices = `choices-${at}-${id}`;
  // Off the bench already: what the basket gets with the step, and without.
  const asked = requestOf(plan);
  const told = (load: Lot['load'], coat: Lot['coat']): SimulationRequest => ({
    ...asked,
    lots: asked.lots.map((lot, k) => (k === at ? { ...lot, load, coat, bench: undefined } : lot)),
  });
  const [reason, more] = firstSentence(station.why);
  const skips = id !== 'cut' && id !== 'finish' && station.does !== '' && !alike;
  return (
    <Box id={`station-${at}-${id}`} tabIndex={-1} aria-label={of ? `${station.title}, ${of}` : station.title}>
      <Name>
        <h2>
          {place}. {station.title}
          {alike ? `, ${alike.says}` : ''}
          {when ? ` · ${when}` : ''}
        </h2>
        {drop ? (
          <IconButton label="Leave it out" onPress={drop}>
            <X size={17} aria-hidden />
          </IconButton>
        ) : null}
      </Name>
      <Answer>
        {sentence(station.phrases).map((p, k) =>
          p.about ? (
            <Part
              key={k}
              aria-expanded={open === p.about}
              aria-controls={choices}
              onPress={() => setOpen(open === p.about ? '' : (p.about ?? ''))}
            >
              {p.says}
              <Mark>{p.mark}</Mark>
            </Part>
          ) : (
            <span key={k}>{p.says}</span>
          ),
        )}
      </Answer>
      {open ? (
        <Choices
          id={choices}
          role="group"
          aria-label={`${station.title}: choose`}
          onKeyDown={(e) => {
            if (e.key !== 'Escape' || e.defaultPrevented) return;
            document.querySelector<HTMLElement>(`[aria-controls='${choices}'][aria-expanded='true']`)?.focus();
            setOpen('');
          }}
        >
          <Controls station={id} about={open} {...props} />
        </Choices>
      ) : null}
      <Quiet>{reason}</Quiet>
      {id === 'coat' && answer.bowls.length > 0 && !answer.rubbed ? (
        <CoatLayers bowls={answer.bowls} units={props.units} />
      ) : null}
      {id === 'salt' && answer.profile ? <SaltSection profile={answer.profile} units={props.units} /> : null}
      {alike ? (
        <Each>
          {alike.does.map(({ lot, says }) => (
            <div key={lot}>
              <dt>{lot}</dt>
              <dd>{says}</dd>
            </div>
          ))}
        </Each>
      ) : station.does ? (
        <Does>{station.does}</Does>
      ) : null}
      {station.cautions.map((c) => (
        <Caution key={c}>{c}</Caution>
      ))}
      {more || skips ? (
        <Fold onToggle={(e) => setLooking(e.currentTarget.open)}>
          <summary>{skips ? 'And without it?' : 'More'}</summary>
          {more ? <Quiet>{more}</Quiet> : null}
          {skips ? (
            <Skipped
              shown={looking}
              withIt={told(answer.load, answer.coat)}
              without={told(station.without.load, station.without.coat)}
            />
          ) : null}
        </Fold>
      ) : null}
    </Box>
  );
}
