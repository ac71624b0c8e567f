import { nanoid } from 'nanoid';
import type { FileResult, FileWork } from '@/store/files';
import type { ProjectStorage } from '@/store/storage';
import { WorkerClient, type RunOptions, type RunOutcome } from '../client';

const worker = new WorkerClient<FileWork, FileResult>(
  () => new Worker(new URL('./files.worker.ts', import.meta.url), { type: 'module' }),
);

/** Does work on files beside the page; on it, where the projects are in the page's memory alone. */
export async function runFiles(
  storage: ProjectStorage,
  work: FileWork,
  options: RunOptions = {},
): Promise<RunOutcome<FileResult>> {
  if (storage.kept === 'browser') return worker.run(work, options);
  try {
    // Seldom wanted, and large.
    const { workOnFiles } = await import('@/store/files');
    const output = await workOnFiles(
      storage,
      work,
      () => nanoid(12),
      (share) => options.onProgress?.(share),
    );
    return { ok: true, output };
  } catch (error) {
    return { ok: false, reason: 'failed', message: String(error) };
  }
}
