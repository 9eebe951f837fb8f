import { heated } from '../format/stage';
import { minutes, type Units } from '../format/units';
import { turnWord, type StageLike, type TurnLike } from './Handles';
import type { RaceScale } from './scale';

interface Props {
  stages: StageLike[];
  turns: TurnLike[];
  units: Units;
  scale: RaceScale;
  programEnd: number;
  compact: boolean;
}

/** What stages, turns and the end are, where they are not handles. */
export function Labels({ stages, turns, units, scale: s, programEnd, compact }: Props) {
  return (
    <>
      {stages.map((st, i) => {
        const start = stages.slice(0, i).reduce((sum, before) => sum + before.minutes, 0);
        return (
          <text
            key={i}
            x={s.x(start + st.minutes / 2)}
            y={s.y(st.airC) - 8}
            textAnchor="middle"
            style={{ fill: 'var(--heat)', fontWeight: 600 }}
          >
            {heated(st, units.temperature(st.airC), true)} · {minutes(st.minutes)}
            {compact ? '' : ' min'}
          </text>
        );
      })}
      {turns.map((t, i) => (
        <text key={i} x={s.x(t.atMin)} y={s.axis + 52} textAnchor="middle" style={{ fontWeight: 600 }}>
          {turnWord(t.kind).toLowerCase()} {minutes(t.atMin)}
        </text>
      ))}
      <text
        x={s.x(programEnd)}
        y={s.axis + 52}
        textAnchor={s.x(programEnd) > s.right - 24 ? 'end' : 'middle'}
        style={{ fill: 'var(--heat)', fontWeight: 600 }}
      >
        out {minutes(programEnd)}
      </text>
    </>
  );
}
