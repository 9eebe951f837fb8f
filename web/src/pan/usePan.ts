import { ask, client, type Schemas, type SimulationRequest } from '../api/client';
import { useWorkedOut } from '../api/useWorkedOut';

export type PanAnswer = Schemas['PanAnswer'];
export type SauceAnswer = Schemas['PanAnswerSauce'];
export type Serving = Schemas['Serving'];
export type Sauce = Schemas['Sauce'];

/** The sauces of a dish, cooked as it changes. */
export const usePan = (request: SimulationRequest, household: string) =>
  useWorkedOut(request, {
    name: 'pan',
    restMs: 60,
    household,
    work: (body, signal) => ask(client.POST('/pan', { body, signal })),
  });
