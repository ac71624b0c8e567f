import type { HysteresisSearch } from '@/core/size/hysteresis';
import type { Project } from '@/core/project/project';
import { WorkerClient } from '../client';

/** Finds parts for two lights beside the page. */
export const hysteresisClient = new WorkerClient<Project, HysteresisSearch>(
  () => new Worker(new URL('./hysteresis.worker.ts', import.meta.url), { type: 'module' }),
);
