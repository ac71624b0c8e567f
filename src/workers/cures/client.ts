import type { Cure } from '@/core/advise/remedies';
import type { Project } from '@/core/project/project';
import { WorkerClient } from '../client';

/** Looks for what cures the findings of a design, beside the page. */
export const curesClient = new WorkerClient<Project, readonly Cure[]>(
  () => new Worker(new URL('./cures.worker.ts', import.meta.url), { type: 'module' }),
);
