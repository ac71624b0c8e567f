import type { TriedCure } from '@/core/simulate/day/cureDay';
import type { YearDay } from '@/core/simulate/day/year';
import { WorkerClient } from '../client';
import type { DayAnswer, DayCuresQuestion, DayQuestion, YearQuestion } from './day';
import { SpreadRunner, type SpreadAnswer, type SpreadQuestion } from './spread';

/** Runs a day beside the page. */
export const dayClient = new WorkerClient<DayQuestion, DayAnswer>(
  () => new Worker(new URL('./day.worker.ts', import.meta.url), { type: 'module' }),
);

/** Tries what would cure a day. */
export const dayCuresClient = new WorkerClient<DayCuresQuestion, readonly TriedCure[]>(
  () => new Worker(new URL('./dayCures.worker.ts', import.meta.url), { type: 'module' }),
);

/** Works out a year. */
export const yearClient = new WorkerClient<YearQuestion, readonly YearDay[]>(
  () => new Worker(new URL('./year.worker.ts', import.meta.url), { type: 'module' }),
);

const spreadWorker = () =>
  new WorkerClient<SpreadQuestion, SpreadAnswer>(
    () => new Worker(new URL('./spread.worker.ts', import.meta.url), { type: 'module' }),
  );

/** Builds a lot on two workers: what this sort of machine has at the least. */
const spreadWorkers = [spreadWorker(), spreadWorker()];
export const spreadRunner = new SpreadRunner(spreadWorkers);

/** Tries what would pay. */
export const payoffClient = spreadWorker();
