import { useCallback, useEffect, useRef, useState } from 'react';
import type { FileResult, FileWork } from '@/store/files';
import type { ProjectStorage } from '@/store/storage';
import { workTrouble } from '@/ui/words/work';
import { runFiles } from '@/workers/files/client';

/** Work on files as it goes on: how far it is, and why it failed. */
export function useFileWork(storage: ProjectStorage) {
  const [progress, setProgress] = useState<number | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const control = useRef<AbortController | null>(null);
  useEffect(() => () => control.current?.abort(), []);
  const run = useCallback(
    async (work: FileWork): Promise<FileResult | null> => {
      const own = new AbortController();
      control.current = own;
      setTrouble(null);
      setProgress(0);
      const outcome = await runFiles(storage, work, { onProgress: setProgress, signal: own.signal });
      setProgress(null);
      if (outcome.ok) return outcome.output;
      if (outcome.reason !== 'cancelled') setTrouble(workTrouble(outcome.reason));
      return null;
    },
    [storage],
  );
  return { run, progress, trouble, setTrouble, cancel: () => control.current?.abort() };
}
