import { quadraticForm } from '../numeric/quadraticForm';
import { ldrOhmsAt, type LdrCurve } from './curve';
import type { LdrFit } from './fitLdr';
import { hasBrightFloor, hasDarkFloor, lnOhmsGradient } from './kinds';
import { LDR_PRIORS } from './priors';

/** Variance of ln R at a light about the fit's curve, within the kinds and between them. */
export function lnOhmsVarianceOf({ curve, alternatives }: LdrFit, lux: number): number {
  const middle = Math.log(ldrOhmsAt(curve, lux));
  return alternatives.reduce((total, { curve: other, covariance, weight }) => {
    const own = quadraticForm(gradientFor(other, lux, covariance), covariance);
    return total + weight * (own + (Math.log(ldrOhmsAt(other, lux)) - middle) ** 2);
  }, 0);
}

/** A floor is seen when it is believed in this much and known to this share of what is known without readings. */
const SEEN = { belief: 0.8, stdShare: 0.5 } as const;

/** Whether the readings show a floor, and it is not only what LDRs usually have. */
export function isFloorSeen({ alternatives }: LdrFit, floor: 'dark' | 'bright'): boolean {
  const has = ({ kind }: Pick<LdrFit['alternatives'][number], 'kind'>) =>
    floor === 'dark' ? hasDarkFloor(kind) : hasBrightFloor(kind);
  const belief = alternatives.reduce((total, one) => total + (has(one) ? one.weight : 0), 0);
  const best = alternatives.find(has);
  if (!best || belief < SEEN.belief) return false;
  const [index, prior] = floor === 'dark' ? [2, LDR_PRIORS.lnDark] : [3, LDR_PRIORS.lnBright];
  const p = Math.sqrt(best.covariance.length);
  return Math.sqrt(best.covariance[index * p + index]!) < SEEN.stdShare * prior.std;
}

/** Derivatives of ln R by all parameters of a covariance: 0 for every common error, as the curve is told at its own light. */
export function gradientFor(curve: LdrCurve, lux: number, covariance: Float64Array): readonly number[] {
  const gradient: number[] = [...lnOhmsGradient(curve, lux)];
  while (gradient.length ** 2 < covariance.length) gradient.push(0);
  return gradient;
}
