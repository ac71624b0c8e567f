import { quadraticForm } from '../numeric/quadraticForm';
import { ldrOhmsAt, type LdrCurve } from './curve';
import type { LdrFit } from './fitLdr';
import { lnOhmsGradient } from './kinds';

/** Variance of ln R at a light about the fit's curve, within the kinds and between them. */
export function lnOhmsVarianceOf({ curve, alternatives }: LdrFit, lux: number): number {
  const middle = Math.log(ldrOhmsAt(curve, lux));
  return alternatives.reduce((total, { curve: other, covariance, weight }) => {
    const own = quadraticForm(gradientFor(other, lux, covariance), covariance);
    return total + weight * (own + (Math.log(ldrOhmsAt(other, lux)) - middle) ** 2);
  }, 0);
}

/** Derivatives of ln R by all parameters of a covariance: 0 for every common error, as the curve is told at its own light. */
export function gradientFor(curve: LdrCurve, lux: number, covariance: Float64Array): readonly number[] {
  const gradient: number[] = [...lnOhmsGradient(curve, lux)];
  while (gradient.length ** 2 < covariance.length) gradient.push(0);
  return gradient;
}
