import type { Ok, Refused } from '../result';
import type { LightRange } from './range';
import { findRoot } from '../numeric/findRoot';

/** The light at which something crosses a level; or that it stays on one side of it in the whole range. */
export type Crossing = Ok<{ lux: number }> | Refused<'stays-above' | 'stays-below' | 'not-converged'>;

/** Crossings are found to this share of the light. */
export const CROSSING_ACCURACY = 1e-7;

/**
 * The light at which something monotone in light crosses a level, by Brent's method in ln E.
 *
 * @param over how far it is above its level at a light, in anything smooth; `null` where it has no answer
 * @param range where to look
 * @param near where to look first: when the crossing lies there, finding it takes half the work
 */
export function findCrossing(
  over: (lux: number) => number | null,
  range: LightRange,
  near?: LightRange,
): Crossing {
  let failed = false;
  const overAt = (lnLux: number) => {
    const value = over(Math.exp(lnLux));
    if (value === null) failed = true;
    return value ?? -1;
  };
  const between = ({ minLux, maxLux }: LightRange) =>
    findRoot(overAt, Math.log(minLux), Math.log(maxLux), { tolerance: CROSSING_ACCURACY });
  const close = near && between(near);
  const root = close?.ok ? close : between(range);
  if (failed) return { ok: false, reason: 'not-converged' };
  if (root.ok) return { ok: true, lux: Math.exp(root.x) };
  return { ok: false, reason: overAt(Math.log(range.minLux)) > 0 ? 'stays-above' : 'stays-below' };
}

/** How far a current is over a level, for {@link findCrossing}: its logarithm. */
export function overLevel(amps: number | null, level: number): number | null {
  return amps === null ? null : Math.log(Math.max(amps, 1e-15) / level);
}

/** The stretch of a range within a factor of a light; all of the range where there is none. */
export function around(lux: number, factor: number, range: LightRange): LightRange {
  const [minLux, maxLux] = [Math.max(range.minLux, lux / factor), Math.min(range.maxLux, lux * factor)];
  return minLux < maxLux ? { minLux, maxLux } : range;
}

/**
 * The darkest two neighbours of some lights between which something passes a level; `undefined` where none do.
 * @param lux from dark to bright
 * @param values at each of them; shape: as lux
 */
export function firstPassing(
  lux: ArrayLike<number>,
  values: ArrayLike<number>,
  level: number,
): LightRange | undefined {
  for (let i = 1; i < lux.length; i++)
    if (values[i - 1]! >= level !== values[i]! >= level) return { minLux: lux[i - 1]!, maxLux: lux[i]! };
  return undefined;
}

/** The light at which something crosses a level, with the 95 % range that the LDR's curve leaves. */
export type SwitchPoint =
  | Ok<{ readonly lux: number; readonly lowLux: number; readonly highLux: number }>
  | Exclude<Crossing, Ok<unknown>>;
