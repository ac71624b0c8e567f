import { WorkerClient } from '../client';
import type { Helper, Rows, RowsQuestion } from './table';

/** So many help at most, however many cores there are. */
const MOST = 3;

/** Workers of a worker's own, one for each core that is free beside it; they end with it. */
export const rowHelpers = (cores: number = navigator.hardwareConcurrency): readonly Helper[] =>
  Array.from({ length: Math.max(0, Math.min(MOST, cores - 1)) }, () => {
    const client = new WorkerClient<RowsQuestion, Rows | null>(
      () => new Worker(new URL('./rows.worker.ts', import.meta.url), { type: 'module' }),
    );
    client.warm();
    return async (question) => {
      const outcome = await client.run(question);
      return outcome.ok ? outcome.output : null;
    };
  });
