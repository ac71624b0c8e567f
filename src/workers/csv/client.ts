import { WorkerClient } from '../client';
import type { CsvInput, CsvOutput } from './csv';

/** Reads and writes CSV files beside the page. */
export const csvClient = new WorkerClient<CsvInput, CsvOutput>(
  () => new Worker(new URL('./csv.worker.ts', import.meta.url), { type: 'module' }),
);
