import type { Compared } from '@/core/compare/compare';
import type { Project } from '@/core/project/project';
import { WorkerClient } from '../client';

/** Holds the ways of switching side by side, beside the page. */
export const compareClient = new WorkerClient<Project, readonly Compared[]>(
  () => new Worker(new URL('./compare.worker.ts', import.meta.url), { type: 'module' }),
);
