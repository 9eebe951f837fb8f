import { ask, client, Refusal, type Problem, type Schemas } from './client';
import { place } from './place';

export type Picture = Schemas['Picture'];

export const pictureUrl = (id: string, size: 'full' | 'small') => `${place}/api/v1/pictures/${id}?size=${size}`;

/** Sends a picture of a cook as it is; the kitchen computer turns it upright and takes away what is not seen. */
export async function addPicture(cook: string, file: File): Promise<Picture> {
  let response: Response;
  try {
    response = await fetch(`${place}/api/v1/cooks/${cook}/pictures`, { method: 'POST', body: file });
  } catch {
    throw new Refusal({
      status: 0,
      title: 'No connection',
      detail: 'The kitchen computer does not answer. The picture is still on this device: choose it again later.',
    });
  }
  const answer: unknown = await response.json();
  if (!response.ok) throw new Refusal(answer as Problem);
  return answer as Picture;
}

export const sayAlt = (id: string, alt: string) =>
  ask(client.PUT('/pictures/{id}', { params: { path: { id } }, body: { alt } }));
export const deletePicture = (id: string) => ask(client.DELETE('/pictures/{id}', { params: { path: { id } } }));
export const restorePicture = (id: string) => ask(client.POST('/pictures/{id}/restore', { params: { path: { id } } }));
