import { useEffect, useState } from 'react';
import type { LdrCurve } from '@/core/ldr/curve';
import { LogSeries } from '@/core/live/log';
import { lightOfLog, type Recorded } from '@/core/simulate/day/recorded';
import { openStorage } from '@/store/openStorage';

/** The light of a log, by the LDR's curve; `null` while it is read, or without one. */
export function useLogLight(logId: string | null, curve: LdrCurve): Recorded | null {
  const [found, setFound] = useState<{ readonly id: string; readonly light: Recorded } | null>(null);
  useEffect(() => {
    let left = false;
    if (logId === null) return;
    void openStorage()
      .then((storage) => storage.logs.chunks(logId))
      .then((chunks) => {
        const { at, ohms, length } = LogSeries.of(chunks);
        if (!left)
          setFound({ id: logId, light: lightOfLog(curve, at.subarray(0, length), ohms.subarray(0, length)) });
      });
    return () => {
      left = true;
    };
  }, [logId, curve]);
  return found?.id === logId ? found.light : null;
}
