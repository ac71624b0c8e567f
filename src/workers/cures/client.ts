import type { Project } from '@/core/project/project';
import { WorkerClient } from '../client';
import type { CuresAnswer } from './compute';

/** Looks for what cures the findings of a design, beside the page. */
export const curesClient = new WorkerClient<Project, CuresAnswer>(
  () => new Worker(new URL('./cures.worker.ts', import.meta.url), { type: 'module' }),
);
