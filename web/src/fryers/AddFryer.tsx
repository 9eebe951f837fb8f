import { useQueryClient } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import type { Fryer, Schemas } from '../api/client';
import { createFryer, guessFryer } from '../api/queries';
import { Button, MainButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Quiet } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { Stepper } from '../ui/Stepper';
import { complain } from '../ui/toast';

type Known = Schemas['FryerKnown'];
type Build = 'drawer' | 'two' | 'oven';

const sizes: Record<Build, { litres: number; powerW: number }> = {
  drawer: { litres: 5, powerW: 1500 },
  two: { litres: 8, powerW: 2200 },
  oven: { litres: 12, powerW: 1500 },
};

/** Sets a fryer up from what stands on its box; the rest is inferred and marked so. */
export function AddFryer() {
  const queries = useQueryClient();
  const [build, setBuild] = useState<Build>('drawer');
  const [shape, setShape] = useState<'rectangle' | 'round' | 'unknown'>('rectangle');
  const [litres, setLitres] = useState<number | null>(sizes.drawer.litres);
  const [powerW, setPowerW] = useState<number | null>(null);
  const [busy, setBusy] = useState(false);
  const add = async (close: () => void) => {
    setBusy(true);
    try {
      const known: Known = {
        kind: build === 'oven' ? 'oven' : 'drawer',
        drawers: build === 'two' ? 2 : 1,
        ...(shape === 'unknown' || build === 'oven' ? {} : { shape }),
        ...(litres === null ? {} : { litres }),
        ...(powerW === null ? {} : { powerW }),
      };
      const made = await createFryer(await guessFryer(known));
      queries.setQueryData<Fryer[]>(['fryers'], (all) => [...(all ?? []), made]);
      close();
      requestAnimationFrame(() => window.scrollTo({ top: document.body.scrollHeight }));
    } catch (cause) {
      complain(cause);
    }
    setBusy(false);
  };
  return (
    <Pop
      title="Add a fryer"
      width={440}
      body={(close) => (
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
              if (litres !== null) setLitres(sizes[b].litres);
              if (powerW !== null) setPowerW(sizes[b].powerW);
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
            <Button onPress={() => setLitres(sizes[build].litres)}>I know its litres</Button>
          ) : (
            <>
              <Stepper
                label={build === 'two' ? 'Size on the box, both together' : 'Size on the box'}
                unit="litres"
                value={litres}
                min={1}
                max={45}
                step={0.5}
                onChange={setLitres}
              />
              <Button onPress={() => setLitres(null)}>I do not know its litres</Button>
            </>
          )}
          {powerW === null ? (
            <Button onPress={() => setPowerW(sizes[build].powerW)}>I know its watts</Button>
          ) : (
            <>
              <Stepper
                label="Power on the label"
                unit="W"
                value={powerW}
                min={600}
                max={3500}
                step={50}
                onChange={setPowerW}
              />
              <Button onPress={() => setPowerW(null)}>I do not know its watts</Button>
            </>
          )}
          <Quiet>
            What you leave out is worked out from the rest and marked as inferred. A ruler and the label do better.
          </Quiet>
          <MainButton isDisabled={busy} onPress={() => void add(close)}>
            Add it
          </MainButton>
        </>
      )}
    >
      <Button>
        <Plus size={18} aria-hidden /> Add a fryer
      </Button>
    </Pop>
  );
}
