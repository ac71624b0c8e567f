import { WorkerClient } from '../client';
import type { Found, Points, PointsQuestion, PracticeQuestion, Practised } from './compute';
import type { FindQuestion } from './table';

/** What a sound circuit shows. */
export const pointsClient = new WorkerClient<PointsQuestion, Points | null>(
  () => new Worker(new URL('./points.worker.ts', import.meta.url), { type: 'module' }),
);

/** What is wrong with one that is not. */
export const findClient = new WorkerClient<FindQuestion, Found | null>(
  () => new Worker(new URL('./find.worker.ts', import.meta.url), { type: 'module' }),
);

/** A fault hidden, and asked for. */
export const practiceClient = new WorkerClient<PracticeQuestion, Practised | null>(
  () => new Worker(new URL('./practice.worker.ts', import.meta.url), { type: 'module' }),
);
