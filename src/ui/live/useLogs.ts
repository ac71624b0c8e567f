import { useCallback, useEffect, useState } from 'react';
import type { LogRecord } from '@/core/live/log';
import { openStorage } from '@/store/openStorage';

/** The time logs of a project, oldest first, and how to read the list again. */
export function useLogs(projectId: string): readonly [readonly LogRecord[], () => void] {
  const [logs, setLogs] = useState<readonly LogRecord[]>([]);
  const [round, setRound] = useState(0);
  useEffect(() => {
    let left = false;
    void openStorage()
      .then((storage) => storage.logs.list(projectId))
      .then((found) => {
        if (!left) setLogs(found);
      })
      .catch(() => undefined);
    return () => {
      left = true;
    };
  }, [projectId, round]);
  const reload = useCallback(() => setRound((present) => present + 1), []);
  return [logs, reload];
}
