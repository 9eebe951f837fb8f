import { once, type Run } from '../ui/history';
import { Button } from '../ui/Button';
import { When } from './When';
import { fromField, isMoment, toField } from './time';
import type { EditSupper, Evening } from './useSupper';

/** When hands are away. */
export function Away({ evening, edit }: { evening: Evening; edit: EditSupper }) {
  const away = evening.away ?? [];
  const put = (run: Run, next: typeof away) => edit(run, (e) => ({ ...e, away: next.length > 0 ? next : undefined }));
  return (
    <>
      {away.map((a, i) => (
        <div key={i}>
          {(['from', 'until'] as const).map((side) => (
            <When
              key={side}
              aria-label={`Away ${side}`}
              type="datetime-local"
              value={toField(a[side])}
              onChange={(e) => {
                const text = e.target.value;
                if (!isMoment(text)) return;
                put(
                  `away ${i}`,
                  away.map((o, k) => (k === i ? { ...o, [side]: fromField(text) } : o)),
                );
              }}
            />
          ))}
          <Button
            onPress={() =>
              put(
                once,
                away.filter((_, k) => k !== i),
              )
            }
          >
            Here after all
          </Button>
        </div>
      ))}
      <Button
        onPress={() => {
          const end = Date.parse(evening.serveAt) - 60 * 60_000;
          put(once, [...away, { from: new Date(end - 30 * 60_000).toISOString(), until: new Date(end).toISOString() }]);
        }}
      >
        Away for a while
      </Button>
    </>
  );
}
