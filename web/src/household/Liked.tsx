import type { LikedStep, Settings } from '../api/client';
import { useLiked } from '../api/queries';
import { Choice } from '../ui/Choice';
import { Quiet } from '../ui/layout';

interface Props {
  data: Settings;
  set: (change: Partial<Settings>) => void;
}

const SHOWN = 'shown';

/** The step that is nearest to what was said. */
const nearest = (steps: LikedStep[], more: number) =>
  steps.reduce((a, b) => (Math.abs(b.more - more) < Math.abs(a.more - more) ? b : a));

/** What is liked here in words: as it was said, or as ratings show it. */
export function useLikedWords(data: Settings | undefined) {
  const shown = useLiked().data;
  if (!data || !shown) return null;
  const of = (said: number | null | undefined, steps: LikedStep[], ratings: string) =>
    said == null ? ratings : nearest(steps, said).says;
  return {
    crust: of(data.crustMore, shown.crustSteps, shown.crustSays),
    colour: of(data.browningMore, shown.browningSteps, shown.browningSays),
  };
}

interface OneProps {
  label: string;
  said: number | null | undefined;
  of: 'crust' | 'browning';
  keep: (more: number | null) => void;
}

/** Something beside what most like: by ratings, or as somebody says. */
function One({ label, said, of, keep }: OneProps) {
  const shown = useLiked().data;
  if (!shown) return null;
  const steps = shown[`${of}Steps`];
  return (
    <>
      <Quiet>
        {shown.ratings === 0
          ? shown.says
          : `From ${shown.ratings === 1 ? 'one rating' : `${shown.ratings} ratings`}: ${shown[`${of}Says`]}.`}
      </Quiet>
      <Choice
        label={label}
        row
        options={[
          { id: SHOWN, name: 'As our ratings show' },
          ...steps.map((s) => ({ id: String(s.more), name: s.name })),
        ]}
        value={said == null ? SHOWN : String(nearest(steps, said).more)}
        onChange={(id) => keep(id === SHOWN ? null : Number(id))}
      />
    </>
  );
}

export const LikedCrust = ({ data, set }: Props) => (
  <>
    <One label="Crust" of="crust" said={data.crustMore} keep={(crustMore) => set({ crustMore })} />
    <Quiet>Dishes are called crisp by it, and ways look for it. What is safe stays as it is.</Quiet>
  </>
);

export const LikedColour = ({ data, set }: Props) => (
  <>
    <One label="Colour" of="browning" said={data.browningMore} keep={(browningMore) => set({ browningMore })} />
    <Quiet>Ways look for it. What is too dark stays as it is.</Quiet>
  </>
);
