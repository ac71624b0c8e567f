// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { expect, it } from 'vitest';
import { LogSeries } from '@/core/live/log';
import { LogRecorder } from '@/store/logRecorder';
import { memoryStorage } from '@/store/memoryStorage';
import { LiveContext } from '@/ui/live/context';
import { LiveSession } from '@/ui/live/liveSession';
import { useLogSeries } from './useLogSeries';

it('has a log’s points without a gap as it ends, so that nothing typed beside them is lost', () => {
  const session = new LiveSession();
  const record = {
    id: 'log',
    projectId: 'p',
    name: 'Dusk',
    source: 'bench' as const,
    startedAt: 0,
    state: 'running' as const,
    count: 0,
    marks: [],
    lastEvent: null,
    note: '',
  };
  const recorder = new LogRecorder(
    record,
    new LogSeries(),
    memoryStorage().logs,
    () => () => undefined,
    () => undefined,
  );
  const live = { session, projectId: 'p', benchId: null, renewBench: () => undefined, recording: null };
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <LiveContext.Provider value={live}>{children}</LiveContext.Provider>
  );
  session.record(recorder);
  const shown: (LogSeries | undefined)[] = [];
  const { result, unmount } = renderHook(
    () => {
      const log = useLogSeries('log');
      shown.push(log?.series);
      return log;
    },
    { wrapper },
  );
  act(() => session.changeLog((one) => one.mark({ id: 'm', at: 1, text: 'lamp off' })));
  act(() => session.record(null));
  expect(shown.every((series) => series === recorder.series)).toBe(true);
  expect(result.current?.record.marks.map(({ text }) => text)).toEqual(['lamp off']);
  unmount();
});
