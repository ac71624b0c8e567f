import { useCallback } from 'react';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import type { FileResult, FileWork } from '@/store/files';
import type { ProjectStorage } from '@/store/storage';
import { workTrouble } from '@/ui/words/work';
import { runFiles } from '@/workers/files/client';

/** A long work on files. It goes on wherever in the app one goes meanwhile. */
interface FileJob {
  /** How far it is, 0 to 1; `null` where nothing runs. */
  readonly progress: number | null;
  /** Why the last one failed. */
  readonly trouble: string | null;
  /** What the last one has done. */
  readonly said: string | null;
  readonly cancel: () => void;
}

type JobName = 'backup' | 'restore';
const IDLE: FileJob = { progress: null, trouble: null, said: null, cancel: () => undefined };

export const fileJobs = createStore<Record<JobName, FileJob>>(() => ({ backup: IDLE, restore: IDLE }));

const change = (name: JobName, part: Partial<FileJob>) =>
  fileJobs.setState((jobs) => ({ ...jobs, [name]: { ...jobs[name], ...part } }));

/** Whether anything runs that would end with the page. */
export const useIsWorking = () =>
  useStore(fileJobs, (jobs) => Object.values(jobs).some(({ progress }) => progress !== null));

/** Work on files as it goes on: how far it is, what it did, and why it failed. */
export function useFileJob(storage: ProjectStorage, name: JobName) {
  const job = useStore(fileJobs, (jobs) => jobs[name]);
  const run = useCallback(
    async (work: FileWork): Promise<FileResult | null> => {
      const control = new AbortController();
      change(name, { trouble: null, said: null, progress: 0, cancel: () => control.abort() });
      const onProgress = (progress: number) => change(name, { progress });
      const outcome = await runFiles(storage, work, { onProgress, signal: control.signal });
      change(name, { progress: null });
      if (outcome.ok) return outcome.output;
      if (outcome.reason !== 'cancelled') change(name, { trouble: workTrouble(outcome.reason) });
      return null;
    },
    [storage, name],
  );
  const say = useCallback((said: string | null) => change(name, { said }), [name]);
  const setTrouble = useCallback((trouble: string) => change(name, { trouble }), [name]);
  return { ...job, run, say, setTrouble };
}
