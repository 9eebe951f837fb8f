import { useQueryClient } from '@tanstack/react-query';
import { Upload } from 'lucide-react';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import type { Schemas } from '../api/client';
import { place } from '../api/place';
import { layCurve } from '../api/queries';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Card, Quiet } from '../ui/layout';
import { Stepper } from '../ui/Stepper';
import { complain } from '../ui/toast';

const Stack = styled(Card)`
  display: grid;
  gap: 10px;
  justify-items: start;
`;

const Row = styled.p`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
`;

type Laid = Schemas['CurveLaid'];

const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** A cook as tables that leave, and a thermometer's own file that is laid over it. */
export function Tables({ id, lots }: { id: string; lots: string[] }) {
  const queries = useQueryClient();
  const [file, setFile] = useState<{ name: string; text: string } | null>(null);
  const [laid, setLaid] = useState<Laid | null>(null);
  const [shift, setShift] = useState(0);
  const [lot, setLot] = useState(0);
  const lay = async (text: string, shiftMin: number, of: number) => {
    try {
      setLaid(await layCurve(id, { file: text, shiftMin, zone, ...(lots.length > 1 ? { lot: of } : {}) }));
      await queries.invalidateQueries({ queryKey: ['cook', id] });
    } catch (cause) {
      complain(cause);
    }
  };
  const choose = async (list: FileList | null) => {
    const chosen = list?.[0];
    if (!chosen) return;
    const text = await chosen.text();
    setFile({ name: chosen.name, text });
    setShift(0);
    setLaid(null);
    await lay(text, 0, lot);
  };
  return (
    <Stack aria-label="In and out">
      <h2>In and out</h2>
      <Row>
        {(['forecast', 'events', 'readings'] as const).map((what) => (
          <a key={what} href={`${place}/api/v1/cooks/${id}/tables/${what}`} download={`${what}.csv`}>
            {{ forecast: 'The forecast', events: 'What was said', readings: 'What was read' }[what]} as a table
          </a>
        ))}
      </Row>
      <FileTrigger
        acceptedFileTypes={['.csv', '.txt', '.tsv', 'text/csv', 'text/plain']}
        onSelect={(l) => void choose(l)}
      >
        <Button>
          <Upload size={17} aria-hidden /> {file ? 'Another file' : 'A thermometer’s own file'}
        </Button>
      </FileTrigger>
      {file ? (
        <>
          <p role="status">
            {file.name}:{' '}
            {laid
              ? `${laid.within} of ${laid.readings} readings lie within this cook, from minute ${laid.fromMin} to ${laid.toMin}. ${laid.says.join(' ')}`
              : 'not laid over it yet.'}
          </p>
          {lots.length > 1 ? (
            <Choice
              label="It was in"
              row
              options={lots.map((name, k) => ({ id: String(k), name: `the ${name}` }))}
              value={String(lot)}
              onChange={(k) => {
                setLot(Number(k));
                void lay(file.text, shift, Number(k));
              }}
            />
          ) : null}
          <Stepper
            label="Laid later by"
            unit="min"
            value={shift}
            min={-720}
            max={720}
            step={0.5}
            onChange={(v) => {
              setShift(v);
              void lay(file.text, v, lot);
            }}
          />
        </>
      ) : (
        <Quiet>Any table of times and temperatures: it is laid over this cook, and counts as its probe.</Quiet>
      )}
    </Stack>
  );
}
