import { Coating } from './Coating';
import { Cutting } from './Cutting';
import { Drying } from './Drying';
import { Items } from './Items';
import { Marinating } from './Marinating';
import { Salting } from './Salting';
import type { StationProps } from './props';

/** What can be chosen behind one phrase of a station's sentence. */
export function Controls({ station, about, ...props }: StationProps & { station: string; about: string }) {
  switch (station) {
    case 'cut':
      return <Cutting {...props} />;
    case 'dry':
      return <Drying {...props} />;
    case 'salt':
      return <Salting {...props} about={about} />;
    case 'marinade':
      return <Marinating {...props} about={about} />;
    case 'coat':
      return <Coating {...props} about={about} />;
    case 'finish':
      return (
        <Items
          label="Finish"
          items={props.bench.finish ?? []}
          pantry={props.pantry}
          answer={props.answer}
          units={props.units}
          onChange={(finish) => props.set('finish', (b) => ({ ...b, finish }))}
        />
      );
  }
  return null;
}
