import { FileUp } from 'lucide-react';
import { FileTrigger, Label, TextArea, TextField } from 'react-aria-components';
import styled from 'styled-components';
import type { Fryer } from '../api/client';
import { Button, MainButton } from '../ui/Button';
import { fieldBox, labelled } from '../ui/field';
import { Card, Quiet } from '../ui/layout';
import { Labelled, Select } from '../ui/Select';
import { Row } from './Row';

const Area = styled(TextField)`
  ${labelled}
  textarea {
    ${fieldBox}
    min-height: 220px;
    padding: 10px 12px;
    resize: vertical;
    line-height: 1.45;
  }
`;

interface Props {
  typed: string;
  type: (text: string) => void;
  /** What is opened instead, and what of either there is to read. */
  fileName: string | undefined;
  text: string;
  busy: boolean;
  problem: string;
  begin: (text: string) => void;
  open: (list: FileList | null) => Promise<void>;
  fryers: Fryer[];
  fryerId: string;
  choose: (fryerId: string) => void;
}

/** A recipe to be pasted or opened, and the fryer that it is for. */
export function RecipeForm(all: Props) {
  const { typed, type, fileName, text, busy, problem, begin, open, fryers, fryerId, choose } = all;
  return (
    <Card aria-label="The recipe">
      <Area value={typed} maxLength={1_000_000} onChange={type}>
        <Label>The recipe, ingredients and steps each on a line of its own</Label>
        <TextArea />
      </Area>
      <Row>
        <MainButton isDisabled={text.trim() === '' || busy} onPress={() => begin(text)}>
          Read it
        </MainButton>
        <FileTrigger
          acceptedFileTypes={['.txt', '.md', '.html', '.htm', '.json', '.jsonld']}
          onSelect={(l) => void open(l)}
        >
          <Button>
            <FileUp size={17} aria-hidden /> Open a file
          </Button>
        </FileTrigger>
        <Labelled>
          <span className="quietly">For which fryer</span>
          <Select value={fryerId} onChange={(e) => choose(e.target.value)}>
            {fryers.map((f) => (
              <option key={f.id} value={f.id}>
                for the {f.name}
              </option>
            ))}
          </Select>
        </Labelled>
      </Row>
      {fileName ? <Quiet role="status">{fileName} is opened.</Quiet> : null}
      {problem ? <p role="alert">{problem}</p> : null}
    </Card>
  );
}
