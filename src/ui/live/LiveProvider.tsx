'use client';

import { nanoid } from 'nanoid';
import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { LogSeries } from '@/core/live/log';
import { idField } from '@/core/schema';
import { openStorage } from '@/store/openStorage';
import { LiveContext } from './context';
import { LiveSession } from './liveSession';
import { benchSource, recorderOf } from './sources';

const benchKey = (projectId: string) => `bench-of-${projectId}`;

/** Gives a project its live meter, goes on with a log that was running when the page was left, and ends it at the end. */
export function LiveProvider({
  projectId,
  children,
}: {
  readonly projectId: string;
  readonly children: ReactNode;
}) {
  const [session] = useState(() => new LiveSession());
  const [benchId, setBenchId] = useState<string | null>(null);

  useEffect(() => {
    let left = false;
    void openStorage().then(async (storage) => {
      const kept = await storage.setting(benchKey(projectId), idField).catch(() => null);
      const id = kept ?? nanoid(16);
      if (id !== kept) await storage.saveSetting(benchKey(projectId), id).catch(() => undefined);
      if (left) return;
      setBenchId(id);
      const running = (await storage.logs.list(projectId).catch(() => [])).find(
        ({ state }) => state !== 'stopped',
      );
      if (!running || left) return;
      const series = LogSeries.of(await storage.logs.chunks(running.id));
      if (left) return;
      session.record(recorderOf(session, storage.logs, running, series));
      if (running.source === 'bench') await session.connect(benchSource(session, id, running.lastEvent));
    });
    const flush = () => void session.recorder?.flush();
    window.addEventListener('pagehide', flush);
    return () => {
      left = true;
      window.removeEventListener('pagehide', flush);
      flush();
      session.record(null);
      void session.disconnect();
    };
  }, [projectId, session]);

  const renewBench = useCallback(() => {
    const id = nanoid(16);
    setBenchId(id);
    void session.disconnect();
    void openStorage().then((storage) => storage.saveSetting(benchKey(projectId), id));
  }, [projectId, session]);

  const live = useMemo(
    () => ({ session, projectId, benchId, renewBench }),
    [session, projectId, benchId, renewBench],
  );
  return <LiveContext value={live}>{children}</LiveContext>;
}
