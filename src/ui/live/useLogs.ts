import { useEffect, useState } from 'react';
import type { LogRecord } from '@/core/live/log';
import { openStorage } from '@/store/openStorage';

/** The time logs of a project, oldest first, followed as they change in this tab or another. */
export function useLogs(projectId: string): readonly LogRecord[] {
  const [logs, setLogs] = useState<readonly LogRecord[]>([]);
  useEffect(() => {
    let left = false;
    let stop: (() => void) | undefined;
    void openStorage().then((storage) => {
      if (!left) stop = storage.logs.watch(projectId, setLogs);
    });
    return () => {
      left = true;
      stop?.();
    };
  }, [projectId]);
  return logs;
}
