import { ask, client, type Schemas, type SimulationRequest } from '../api/client';
import { useWorkedOut } from '../api/useWorkedOut';

export type Bench = Schemas['Bench'];
export type BenchAnswer = Schemas['BenchAnswer'];
/** The bench of one lot. */
export type BenchLot = Schemas['BenchLot'];
export type Station = BenchLot['stations'][number];

/** The bench of a dish, worked out as it changes. */
export const useBench = (request: SimulationRequest, household: string) =>
  useWorkedOut(request, {
    name: 'bench',
    restMs: 220,
    household,
    work: (body, signal) => ask(client.POST('/bench', { body, signal })),
  });
