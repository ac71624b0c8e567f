import type { Ok, Refused } from '../result';
import type { LightRange } from '../light/range';
import { findRoot } from '../numeric/findRoot';

/** The light at which something passes a level; or that it stays on one side of it in the whole range. */
export type Crossing = Ok<{ lux: number }> | Refused<'stays-above' | 'stays-below' | 'not-converged'>;

/** Crossings are found to this share of the light. */
export const CROSSING_ACCURACY = 1e-7;

/**
 * The light at which a monotone current passes a level, by Brent's method in ln E against ln I.
 *
 * @param amps current at a light; `null` where it has no answer
 * @param level above 0, in A
 * @param range where to look
 * @param near where to look first: when the crossing lies there, finding it takes half the work
 */
export function findCrossing(
  amps: (lux: number) => number | null,
  level: number,
  range: LightRange,
  near?: LightRange,
): Crossing {
  let failed = false;
  const overLevel = (lnLux: number) => {
    const value = amps(Math.exp(lnLux));
    if (value === null) failed = true;
    return Math.log(Math.max(value ?? 0, 1e-15) / level);
  };
  const between = ({ leastLux, mostLux }: LightRange) =>
    findRoot(overLevel, Math.log(leastLux), Math.log(mostLux), { tolerance: CROSSING_ACCURACY });
  const close = near && between(near);
  const root = close?.ok ? close : between(range);
  if (failed) return { ok: false, reason: 'not-converged' };
  if (root.ok) return { ok: true, lux: Math.exp(root.x) };
  return { ok: false, reason: overLevel(Math.log(range.leastLux)) > 0 ? 'stays-above' : 'stays-below' };
}

/** The stretch of a range within a factor of a light. */
export function around(lux: number, factor: number, range: LightRange): LightRange {
  return { leastLux: Math.max(range.leastLux, lux / factor), mostLux: Math.min(range.mostLux, lux * factor) };
}
