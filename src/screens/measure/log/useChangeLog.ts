import { App } from 'antd';
import { useCallback } from 'react';
import type { LogRecord } from '@/core/live/log';
import { openStorage } from '@/store/openStorage';
import { useLive } from '@/ui/live/context';
import { logTrouble } from '@/ui/words/refusals';

/** Changes what is known of a log, the running one or any other, and says so where it cannot be stored. */
export function useChangeLog() {
  const { session } = useLive();
  const { message } = App.useApp();
  return useCallback(
    async (id: string, change: Partial<Pick<LogRecord, 'marks' | 'name' | 'note'>>) => {
      if (session.recorder?.record.id === id) return session.changeLog((recorder) => recorder.change(change));
      const outcome = await (await openStorage()).logs.extend(id, change, []);
      if (outcome !== 'saved') void message.error(logTrouble(outcome));
    },
    [session, message],
  );
}
