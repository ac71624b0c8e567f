import { useEffect } from 'react';
import type { Design } from '@/core/design';
import { loadDefinition } from '@/core/loads/registry';
import { beep } from '@/ui/live/beep';
import { SLOW_MILLISECONDS, type BenchRun } from './useLiveBench';

/** A piece of the tone is as long as this, in s; one follows on the other. */
const PIECE_SECONDS = SLOW_MILLISECONDS / 1000;
/** It sounds from this share of its level on. */
const HEARD = 0.3;

/** Lets the first load that makes a sound be heard at its own pitch, while it is wanted. */
export function useBuzz({ bench, ticks, isPaused }: BenchRun, { assembly }: Design, isWanted: boolean): void {
  useEffect(() => {
    if (!isWanted || isPaused) return;
    const [simulation] = bench.simulations;
    return ticks.things.follow(() =>
      assembly.loads.forEach(({ load }, index) => {
        const hertz = loadDefinition(load).heardHertz(load);
        if (hertz !== null && simulation && simulation.levelOf(index) > HEARD) beep(hertz, PIECE_SECONDS);
      }),
    );
  }, [bench, ticks, isPaused, assembly, isWanted]);
}
