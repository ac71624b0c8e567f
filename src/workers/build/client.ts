import type { Placing } from '@/core/build/place';
import { WorkerClient } from '../client';
import type { FitQuestion, PlaceQuestion } from './compute';

/** Places a circuit on a board beside the page. */
export const placeClient = new WorkerClient<PlaceQuestion, Placing>(
  () => new Worker(new URL('./place.worker.ts', import.meta.url), { type: 'module' }),
);

/** Tries designs that do without something. */
export const fitClient = new WorkerClient<FitQuestion, readonly boolean[]>(
  () => new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' }),
);
