import { Refusal, type Problem, type Schemas } from './client';
import { place } from './place';

export type Brought = Schemas['Brought'];
export type ArchiveChoice = Schemas['ArchiveChoice'];
export type Choices = Schemas['ArchiveChoices'];
export type Progress = NonNullable<Schemas['ArchiveLine']['progress']>;

/** Sends an archive, to be looked at or, with choices, put in; tells how far it is. */
export async function sendArchive(
  file: File,
  choices: Choices | null,
  tell: (p: Progress) => void,
  signal: AbortSignal,
): Promise<Brought> {
  const form = new FormData();
  if (choices) form.append('choices', JSON.stringify(choices));
  form.append('archive', file);
  let response: Response;
  try {
    response = await fetch(`${place}/api/v1/archive`, { method: 'POST', body: form, signal });
  } catch (cause) {
    if (signal.aborted) throw cause;
    throw new Refusal({ status: 0, title: 'No connection', detail: 'The kitchen computer does not answer.' });
  }
  if (!response.ok || !response.body) throw new Refusal((await response.json()) as Problem);
  const lines = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (;;) {
    const { value, done } = await lines.read();
    rest += value ?? '';
    const whole = rest.split('\n');
    rest = whole.pop() ?? '';
    for (const text of whole) {
      const line = JSON.parse(text) as Schemas['ArchiveLine'];
      if (line.progress) tell(line.progress);
      if (line.problem) throw new Refusal(line.problem);
      if (line.brought) return line.brought;
    }
    if (done) throw new Refusal({ status: 0, title: 'It broke off', detail: 'Nothing of it was kept. Send it again.' });
  }
}
