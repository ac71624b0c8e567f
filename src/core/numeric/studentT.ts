import cdf from '@stdlib/stats-base-dists-t-cdf';
import quantile from '@stdlib/stats-base-dists-t-quantile';

/**
 * Probability that Student's t is further from 0 than `t`, on either side.
 * @param degrees of freedom, above 0
 * @example studentTail(2.571, 5) // 0.0500
 */
export function studentTail(t: number, degrees: number): number {
  return 2 * cdf(-Math.abs(t), degrees);
}

const found = new Map<number, number>();

/**
 * The factor that turns a standard error into half a 95 % interval: the 97.5 % point of Student's t.
 * @param degrees of freedom, a whole number from 1
 */
export function studentT975(degrees: number): number {
  const known = found.get(degrees) ?? quantile(0.975, degrees);
  found.set(degrees, known);
  return known;
}
