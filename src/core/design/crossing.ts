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
 */
export function findCrossing(
  amps: (lux: number) => number | null,
  level: number,
  range: LightRange,
): Crossing {
  let failed = false;
  const overLevel = (lnLux: number) => {
    const value = amps(Math.exp(lnLux));
    if (value === null) failed = true;
    return Math.log(Math.max(value ?? 0, 1e-15) / level);
  };
  const [from, to] = [Math.log(range.leastLux), Math.log(range.mostLux)];
  const root = findRoot(overLevel, from, to, { tolerance: CROSSING_ACCURACY });
  if (failed) return { ok: false, reason: 'not-converged' };
  if (root.ok) return { ok: true, lux: Math.exp(root.x) };
  return { ok: false, reason: overLevel(from) > 0 ? 'stays-above' : 'stays-below' };
}
