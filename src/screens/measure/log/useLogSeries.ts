import { useEffect, useState } from 'react';
import { LogSeries, type LogRecord } from '@/core/live/log';
import type { LogRecorder } from '@/store/logRecorder';
import { openStorage } from '@/store/openStorage';
import { useLive, useLiveState } from '@/ui/live/context';
import { useLogs } from '@/ui/live/useLogs';

export interface ShownLog {
  readonly record: LogRecord;
  readonly series: LogSeries;
}

/** A log with its points: the running one as it grows, any other as it is stored. */
export function useLogSeries(id: string | null): ShownLog | null {
  const { session, projectId } = useLive();
  const running = useLiveState((live) => live.log);
  const records = useLogs(projectId);
  const [stored, setStored] = useState<ShownLog | null>(null);
  // As a log ends its points are at hand: nothing that is being typed beside them goes while they are read from the store.
  const [ran, setRan] = useState<LogRecorder | null>(null);
  // What another tab records is read again every few points.
  const followed = useLiveState(({ elsewhere }) =>
    elsewhere?.id === id ? Math.floor(elsewhere.count / 5) + elsewhere.marks.length : 0,
  );
  const isRunning = running !== null && running.id === id;
  useEffect(() => {
    if (id === null || isRunning) return;
    let left = false;
    void openStorage().then(async (storage) => {
      const record = (await storage.logs.list(projectId)).find((log) => log.id === id);
      const chunks = record ? await storage.logs.chunks(id) : [];
      if (!left) setStored(record ? { record, series: LogSeries.of(chunks) } : null);
    });
    return () => {
      left = true;
    };
  }, [id, isRunning, projectId, followed]);
  const recorder = isRunning ? session.recorder : null;
  if (recorder && ran !== recorder) setRan(recorder);
  if (isRunning && recorder) return { record: running, series: recorder.series };
  const shown = [stored, ran].find((log) => log?.record.id === id);
  // Its points stay; what is told of it may have changed since.
  return shown
    ? { series: shown.series, record: records.find((log) => log.id === id) ?? shown.record }
    : null;
}
