import { Line, Whole } from '../ui/sentence';
import {
  BasketPart,
  BlowsPart,
  BuildPart,
  DialPart,
  HeatUpPart,
  NamePart,
  OffsetPart,
  PowerPart,
  WhenUpPart,
  type FryerProps,
} from './FryerParts';

/** What a fryer is, as one sentence; each underlined part is a choice. */
export function FryerLine(all: FryerProps) {
  const guessed = all.fryer.inferred ?? [];
  const about = (name: string) => (guessed.includes(name) ? 'about ' : '');
  return (
    <Line>
      <Whole>
        <NamePart {...all} />:
      </Whole>{' '}
      <Whole>
        <BuildPart {...all} />,
      </Whole>{' '}
      {about('basket')}
      <Whole>
        <BasketPart {...all} />,
      </Whole>{' '}
      {about('powerW')}
      <Whole>
        <PowerPart {...all} />,
      </Whole>{' '}
      dial {about('dial')}
      <Whole>
        <DialPart {...all} />.
      </Whole>{' '}
      It runs{' '}
      <Whole>
        <OffsetPart {...all} />,
      </Whole>{' '}
      blows <BlowsPart {...all} /> and needs {all.portrait?.timed ? '' : 'about '}
      <Whole>
        <HeatUpPart {...all} />.
      </Whole>{' '}
      When its time is up it{' '}
      <Whole>
        <WhenUpPart {...all} />.
      </Whole>
    </Line>
  );
}
