import { useQueryClient } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import type { Catalog, Fryer, Schemas } from '../api/client';
import { within } from '../api/limits';
import { createFryer, guessFryer } from '../api/queries';
import { Button, MainButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { Stepper } from '../ui/Stepper';
import { complain } from '../ui/toast';

type Known = Schemas['FryerKnown'];
type Build = 'drawer' | 'two' | 'oven';

interface FieldsProps {
  catalog: Catalog;
  /** What the button says. */
  label: string;
  /** Told of the fryer that was set up. */
  made: (fryer: Fryer) => void;
}

/** Sets a fryer up from what stands on its box; the rest is inferred and marked so. */
export function FryerFields({ catalog, label, made }: FieldsProps) {
  const queries = useQueryClient();
  const [build, setBuild] = useState<Build>('drawer');
  const [shape, setShape] = useState<'rectangle' | 'round' | 'unknown'>('rectangle');
  const box = (b: Build) =>
    catalog.usual.boxes.find((k) => (b === 'oven') === (k.kind === 'oven') && (b === 'two') === (k.drawers ?? 1) > 1);
  const [litres, setLitres] = useState<number | null>(box('drawer')?.litres ?? null);
  const [powerW, setPowerW] = useState<number | null>(null);
  const [busy, setBusy] = useState(false);
  const add = async () => {
    setBusy(true);
    try {
      const known: Known = {
        kind: build === 'oven' ? 'oven' : 'drawer',
        drawers: build === 'two' ? 2 : 1,
        ...(shape === 'unknown' || build === 'oven' ? {} : { shape }),
        ...(litres === null ? {} : { litres }),
        ...(powerW === null ? {} : { powerW }),
      };
      const guess = await guessFryer(known);
      const name = litres === null ? guess.name : `${litres}-litre ${build === 'oven' ? 'oven' : 'drawer'}`;
      const fryer = await createFryer({ ...guess, name });
      queries.setQueryData<Fryer[]>(['fryers'], (all) => [...(all ?? []), fryer]);
      made(fryer);
    } catch (cause) {
      complain(cause);
    }
    setBusy(false);
  };
  return (
    <>
      <Choice
        label="What is it"
        options={[
          { id: 'drawer', name: 'A drawer with a basket' },
          { id: 'two', name: 'Two drawers side by side' },
          { id: 'oven', name: 'An oven with trays' },
        ]}
        value={build}
        onChange={(b) => {
          setBuild(b);
          if (litres !== null) setLitres(box(b)?.litres ?? null);
          if (powerW !== null) setPowerW(box(b)?.powerW ?? null);
        }}
      />
      {build === 'oven' ? null : (
        <Choice
          label="Its basket"
          row
          options={[
            { id: 'rectangle', name: 'Square or oblong' },
            { id: 'round', name: 'Round' },
            { id: 'unknown', name: 'Not sure' },
          ]}
          value={shape}
          onChange={setShape}
        />
      )}
      {litres === null ? (
        <Button onPress={() => setLitres(box(build)?.litres ?? null)}>I know its litres</Button>
      ) : (
        <>
          <Stepper
            label={build === 'two' ? 'Size on the box, both together' : 'Size on the box'}
            unit="litres"
            value={litres}
            {...within(catalog, 'litres')}
            onChange={setLitres}
          />
          <Button onPress={() => setLitres(null)}>I do not know its litres</Button>
        </>
      )}
      {powerW === null ? (
        <Button onPress={() => setPowerW(box(build)?.powerW ?? null)}>I know its watts</Button>
      ) : (
        <>
          <Stepper
            label="Power on the label"
            unit="W"
            value={powerW}
            {...within(catalog, 'fryer.powerW')}
            onChange={setPowerW}
          />
          <Button onPress={() => setPowerW(null)}>I do not know its watts</Button>
        </>
      )}
      <Quiet>
        What you leave out is worked out from the rest and marked as inferred. A ruler and the label do better.
      </Quiet>
      <MainButton isDisabled={busy} onPress={() => void add()}>
        {label}
      </MainButton>
    </>
  );
}

/** Adds a fryer to those of the household. */
export function AddFryer({ catalog }: { catalog: Catalog }) {
  return (
    <Pop
      title="Add a fryer"
      width={440}
      body={(close) => (
        <FryerFields
          catalog={catalog}
          label="Add it"
          made={() => {
            close();
            requestAnimationFrame(() => window.scrollTo({ top: document.body.scrollHeight }));
          }}
        />
      )}
    >
      <Button>
        <Plus size={18} aria-hidden /> Add a fryer
      </Button>
    </Pop>
  );
}
