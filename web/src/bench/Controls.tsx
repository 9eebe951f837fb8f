import { Coating } from './Coating';
import { Cutting } from './Cutting';
import { Drying } from './Drying';
import { Items } from './Items';
import { Marinating } from './Marinating';
import { Salting } from './Salting';
import type { StationProps } from './props';

/** The schools and figures of one station. */
export function Controls({ station, ...props }: StationProps & { station: string }) {
  switch (station) {
    case 'cut':
      return <Cutting {...props} />;
    case 'dry':
      return <Drying {...props} />;
    case 'salt':
      return <Salting {...props} />;
    case 'marinade':
      return <Marinating {...props} />;
    case 'coat':
      return <Coating {...props} />;
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
