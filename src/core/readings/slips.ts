import { ldrOhmsAt } from '../ldr/curve';
import { ldrModelOf, lnOhmsVariance } from '../ldr/model';
import type { Observation } from '../ldr/maximumLikelihood';
import { at } from '../result';

/** A reading that was written down a decade or more off. */
export interface Slip {
  /** Its place among the observations. */
  readonly index: number;
  /** What the figure is too large by: 1000 for kΩ taken as MΩ, 0.1 for a range read one too low. */
  readonly factor: number;
}

const FACTORS = [0.001, 0.01, 0.1, 10, 100, 1000] as const;
/** Slope of a usual LDR and how far real ones lie off it: a weak hint that settles what few readings leave open. */
const DEFAULTS = { gamma: 0.7, std: 0.15 } as const;
/** Scatter of ln R that a slip is judged against, the bend of the floors with it. */
const SCATTER = 0.15;
/** How much better, in ln L, the readings must fit with one figure mended. */
const MIN_GAIN = 12;
/** More slips than this share of readings are not slips any more. */
const MAX_SHARE = 0.34;

/**
 * Readings that would lie on the curve if their figure were 10, 100 or 1000 times larger or smaller: greedily, the fix
 * that helps a straight line in ln R most, as long as it helps much; then each held against the curve through the
 * others, floors and all.
 * @param observations without overrange ones, at least 3 for an answer
 */
export function findSlips(observations: readonly Observation[]): readonly Slip[] {
  const n = observations.length;
  if (n < 3) return [];
  const xs = observations.map(({ lux }) => Math.log(lux));
  const withFix = observations.map(({ ohms }) => Math.log(ohms));
  const slips: Slip[] = [];
  while (slips.length < Math.max(1, Math.floor(n * MAX_SHARE))) {
    const before = lineCost(xs, withFix);
    let best = { index: -1, factor: 1, cost: before };
    for (let index = 0; index < n; index++) {
      if (slips.some((slip) => slip.index === index)) continue;
      const own = at(withFix, index);
      for (const factor of FACTORS) {
        withFix[index] = own - Math.log(factor);
        const cost = lineCost(xs, withFix);
        if (cost < best.cost) best = { index, factor, cost };
      }
      withFix[index] = own;
    }
    if (before - best.cost < MIN_GAIN) break;
    withFix[best.index]! -= Math.log(best.factor);
    slips.push({ index: best.index, factor: best.factor });
  }
  return slips.filter((slip) => isConfirmed(slip, slips, observations, withFix));
}

/** Twice the least −ln L of a line with the usual slope as a hint, robust: no reading counts for more than four scatters. */
function lineCost(xs: readonly number[], ys: readonly number[]): number {
  const n = xs.length;
  let [sx, sy, sxx, sxy] = [0, 0, 0, 0];
  for (let i = 0; i < n; i++) {
    sx += xs[i]!;
    sy += ys[i]!;
    sxx += xs[i]! * xs[i]!;
    sxy += xs[i]! * ys[i]!;
  }
  const hint = (SCATTER / DEFAULTS.std) ** 2;
  const slope = (sxy - (sx * sy) / n - hint * DEFAULTS.gamma) / (sxx - (sx * sx) / n + hint);
  const middle = (sy - slope * sx) / n;
  let squares = hint * (slope + DEFAULTS.gamma) ** 2;
  for (let i = 0; i < n; i++) squares += (ys[i]! - middle - slope * xs[i]!) ** 2;
  return squares / (SCATTER * SCATTER);
}

/** A mended figure must lie on the curve through the others, and nearer to it than the figure as it was. */
function isConfirmed(
  { index, factor }: Slip,
  slips: readonly Slip[],
  observations: readonly Observation[],
  withFix: readonly number[],
): boolean {
  const others = observations
    .map((observation, position) => ({ ...observation, ohms: Math.exp(at(withFix, position)) }))
    .filter((_, position) => position !== index);
  const model = ldrModelOf(others);
  const { lux, ohms } = at(observations, index);
  const expected = Math.log(ldrOhmsAt(model.curve, lux));
  const room = 3.5 * Math.sqrt(Math.min(0.09, lnOhmsVariance(model, lux)) + SCATTER ** 2);
  const off = Math.log(ohms) - Math.log(factor) - expected;
  if (Math.abs(off) > Math.min(room, 1)) return false;
  return (
    slips.length * 3 <= observations.length || factor >= 100 || factor <= 0.01 || Math.abs(off) < room / 2
  );
}
