import type { Settings } from '../api/client';
import { useLiked } from '../api/queries';
import { Choice } from '../ui/Choice';
import { Quiet } from '../ui/layout';

interface Step {
  more: number;
  name: string;
  words: string;
}

const crusts: Step[] = [
  { more: -10, name: 'Softer', words: 'a softer crust than most' },
  { more: 0, name: 'As most do', words: 'a crust as most do' },
  { more: 10, name: 'Crisper', words: 'a crisper crust than most' },
  { more: 20, name: 'Much crisper', words: 'a much crisper crust than most' },
];

const colours: Step[] = [
  { more: -0.4, name: 'Paler', words: 'paler than most' },
  { more: 0, name: 'As most do', words: 'as brown as most' },
  { more: 0.4, name: 'Browner', words: 'browner than most' },
];

const nearest = (steps: Step[], more: number) =>
  steps.reduce((a, b) => (Math.abs(b.more - more) < Math.abs(a.more - more) ? b : a));

interface Props {
  data: Settings;
  set: (change: Partial<Settings>) => void;
}

const SHOWN = 'shown';

const of = (said: number | null | undefined, steps: Step[], ratings?: string) =>
  said == null ? (ratings ?? nearest(steps, 0).words) : nearest(steps, said).words;

/** What is liked here in words: as it was said, or as ratings show it. */
export function useLikedWords(data: Settings | undefined) {
  const shown = useLiked().data;
  return {
    crust: of(data?.crustMore, crusts, shown?.crustSays),
    colour: of(data?.browningMore, colours, shown?.browningSays),
  };
}

interface OneProps {
  label: string;
  steps: Step[];
  said: number | null | undefined;
  of: 'crustSays' | 'browningSays';
  keep: (more: number | null) => void;
}

/** Something beside what most like: by ratings, or as somebody says. */
function One({ label, steps, said, of: which, keep }: OneProps) {
  const shown = useLiked().data;
  return (
    <>
      {shown ? (
        <Quiet>
          {shown.ratings === 0
            ? shown.says
            : `From ${shown.ratings === 1 ? 'one rating' : `${shown.ratings} ratings`}: ${shown[which]}.`}
        </Quiet>
      ) : null}
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
    <One label="Crust" of="crustSays" steps={crusts} said={data.crustMore} keep={(crustMore) => set({ crustMore })} />
    <Quiet>Dishes are called crisp by it, and ways look for it. What is safe stays as it is.</Quiet>
  </>
);

export const LikedColour = ({ data, set }: Props) => (
  <>
    <One
      label="Colour"
      of="browningSays"
      steps={colours}
      said={data.browningMore}
      keep={(browningMore) => set({ browningMore })}
    />
    <Quiet>Ways look for it. What is too dark stays as it is.</Quiet>
  </>
);
