import type { Disturbance } from './disturbances';

/** What keeps a load from staying on or off. */
export type BurstCause = Disturbance | 'own-light' | 'ripple';

/** Switchings in quick succession: chatter. */
export interface Burst {
  readonly from: number;
  readonly to: number;
  /** How many switchings. */
  readonly count: number;
  /** What, were it not there, would leave it quiet; `null` while that is not looked for, or where none alone is it. */
  readonly cause: BurstCause | null;
}

/** Switchings nearer to each other than this belong together, in s; and from so many on they are chatter. */
const APART_SECONDS = 120;
const MIN_COUNT = 4;

/** Bursts of chatter among times of switching, rising. */
export function burstsOf(switchedAt: readonly number[] | Float64Array): readonly Burst[] {
  const bursts: Burst[] = [];
  let first = 0;
  for (let index = 1; index <= switchedAt.length; index++) {
    const isNear =
      index < switchedAt.length && (switchedAt[index] ?? 0) - (switchedAt[index - 1] ?? 0) < APART_SECONDS;
    if (isNear) continue;
    if (index - first >= MIN_COUNT)
      bursts.push({
        from: switchedAt[first] ?? 0,
        to: switchedAt[index - 1] ?? 0,
        count: index - first,
        cause: null,
      });
    first = index;
  }
  return bursts;
}
