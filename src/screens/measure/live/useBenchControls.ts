import { useCallback, useRef, useState } from 'react';
import { FIRST_CONTROLS, type BenchControls } from '@/core/practice/bench';
import { useLive, useLiveState } from '@/ui/live/context';
import { controlBench } from '@/ui/live/sources';

/** The knobs as one turns them: shown at once, sent a few times a second at most, corrected by what the server says. */
export function useBenchControls(): readonly [
  BenchControls,
  (change: Partial<BenchControls>) => void,
  boolean,
] {
  const { benchId, session } = useLive();
  const known = useLiveState((live) => live.controls) ?? FIRST_CONTROLS;
  const [turning, setTurning] = useState<Partial<BenchControls>>({});
  const [refused, setRefused] = useState(false);
  const waiting = useRef<{ change: Partial<BenchControls>; timer: ReturnType<typeof setTimeout> } | null>(
    null,
  );
  const change = useCallback(
    (part: Partial<BenchControls>) => {
      if (benchId === null) return;
      setTurning((present) => ({ ...present, ...part }));
      if (waiting.current) {
        waiting.current.change = { ...waiting.current.change, ...part };
        return;
      }
      const timer = setTimeout(() => {
        const send = waiting.current?.change ?? part;
        waiting.current = null;
        void controlBench(benchId, send).then((taken) => {
          setRefused(taken === null);
          if (taken) session.setControls(taken);
          if (!waiting.current) setTurning({});
        });
      }, 80);
      waiting.current = { change: part, timer };
    },
    [benchId, session],
  );
  return [{ ...known, ...turning }, change, refused];
}
