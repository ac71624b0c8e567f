import type { Machine } from '../machine';
import type { Burst, BurstCause } from './bursts';
import { dayLight } from './dayLight';
import type { DaySettings } from './daySettings';
import { disturbances } from './disturbances';
import { runTrack } from './runDay';

/** A burst is run again from so long before to so long after, in s. */
const BEFORE = 180;
const AFTER = 30;
/** So many bursts are looked into, evenly among all; each of the others takes what the nearest looked into has. */
const LOOKED_INTO = 12;

/**
 * Each burst with its cause: what, left out of the same stretch of the day, leaves the design quiet. The own light comes first,
 * for that is the design's own fault.
 */
export function withCauses(
  machine: Machine,
  day: DaySettings,
  bursts: readonly Burst[],
  onProgress: (share: number) => void = () => undefined,
): readonly Burst[] {
  const unknown = bursts.filter(({ cause }) => cause === null);
  const every = Math.max(1, Math.ceil(unknown.length / LOOKED_INTO));
  const known = new Map<Burst, BurstCause | null>();
  unknown.forEach((burst, index) => {
    if (index % every !== 0) return;
    known.set(burst, causeOf(machine, day, burst));
    onProgress((index + 1) / unknown.length);
  });
  const looked = [...known.keys()];
  return bursts.map((burst) => {
    if (burst.cause !== null || looked.length === 0) return burst;
    const nearest = looked.reduce((best, other) =>
      Math.abs(other.from - burst.from) < Math.abs(best.from - burst.from) ? other : best,
    );
    return { ...burst, cause: known.get(nearest) ?? null };
  });
}

function causeOf(machine: Machine, day: DaySettings, { from, to }: Burst): BurstCause | null {
  const span = { from: Math.max(0, from - BEFORE), to: Math.min(86_400, to + AFTER) };
  const chatters = (of: Machine, without: Parameters<typeof dayLight>[1] = {}) =>
    runTrack(of, dayLight(day, { ...span, ...without })).bursts.some(
      (burst) => burst.cause === null && burst.to >= from && burst.from <= to,
    );
  if (machine.feedbackLux > 0 && !chatters({ ...machine, feedbackLux: 0 })) return 'own-light';
  return disturbances.find((one) => !chatters(machine, { without: [one] })) ?? null;
}
