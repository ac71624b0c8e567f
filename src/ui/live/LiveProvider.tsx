'use client';

import { nanoid } from 'nanoid';
import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { idField } from '@/core/schema';
import { openStorage } from '@/store/openStorage';
import { LiveContext } from './context';
import { LiveSession } from './liveSession';
import { Recording } from './recording';
import { after, benchSource, browserLocks, recorderFor } from './sources';

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
  const [recording, setRecording] = useState<Recording | null>(null);

  useEffect(() => {
    let left = false;
    let opened: Recording | null = null;
    void openStorage().then(async (storage) => {
      const kept = await storage.setting(benchKey(projectId), idField).catch(() => null);
      const id = kept ?? nanoid(16);
      if (id !== kept) await storage.saveSetting(benchKey(projectId), id).catch(() => undefined);
      if (left) return;
      setBenchId(id);
      opened = new Recording({
        projectId,
        session,
        logs: storage.logs,
        locks: browserLocks(),
        after,
        recorderOf: recorderFor(session, storage.logs),
        rejoin: async ({ source, lastEvent }) => {
          if (source === 'bench') await session.connect(benchSource(session, id, lastEvent));
        },
      });
      opened.open();
      setRecording(opened);
    });
    const flush = () => void session.recorder?.flush();
    window.addEventListener('pagehide', flush);
    return () => {
      left = true;
      window.removeEventListener('pagehide', flush);
      void opened?.close();
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
    () => ({ session, projectId, benchId, renewBench, recording }),
    [session, projectId, benchId, renewBench, recording],
  );
  return <LiveContext value={live}>{children}</LiveContext>;
}
