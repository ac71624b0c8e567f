import { quadraticForm } from '../numeric/quadraticForm';
import { bagCurve, type BagSpread } from './bag';
import { ldrLuxAt, ldrOhmsAt, REFERENCE_LUX, type LdrCurve } from './curve';
import type { FitRefusal } from './fit';
import { fitLdr, type LdrFit } from './fitLdr';
import { lnOhmsGradient, type Observation } from './maximumLikelihood';
import { studentT975 } from '../numeric/studentT';
import { TYPICAL_GAMMA_SPREAD, TYPICAL_LDR, TYPICAL_R10_FACTOR } from './typical';

/** What is known of the LDR: its own fitted curve, or what stands in for it with the reason why. */
export type LdrModel =
  | { readonly source: 'measured'; readonly curve: LdrCurve; readonly fit: LdrFit }
  /** Another LDR of the same bag, with the bag's own spread. */
  | { readonly source: 'bag'; readonly curve: LdrCurve; readonly bag: BagSpread; readonly why: FitRefusal }
  | { readonly source: 'typical'; readonly curve: LdrCurve; readonly why: FitRefusal }
  /** No light figures: the curve only turns the axis into ohms and back. */
  | { readonly source: 'named'; readonly curve: LdrCurve };

/** The LDR's model from its readings: the fitted curve, or where there is nothing to fit its bag's or the typical one. */
export function ldrModelOf(observations: readonly Observation[], bag: BagSpread | null = null): LdrModel {
  const fitted = fitLdr(observations);
  if (fitted.ok) return { source: 'measured', curve: fitted.fit.curve, fit: fitted.fit };
  if (bag) return { source: 'bag', curve: bagCurve(bag), bag, why: fitted.reason };
  return { source: 'typical', curve: TYPICAL_LDR, why: fitted.reason };
}

/** Variance of ln R at a light: how far the true curve may be off the model's. */
export function lnOhmsVariance(model: LdrModel, lux: number): number {
  const x = Math.log(lux / REFERENCE_LUX);
  switch (model.source) {
    case 'named':
      return 0;
    case 'typical':
      return (Math.log(TYPICAL_R10_FACTOR) / 2) ** 2 + ((TYPICAL_GAMMA_SPREAD / 2) * x) ** 2;
    case 'bag':
      return model.bag.lnR10Std ** 2 + (model.bag.gammaStd * x) ** 2;
    case 'measured': {
      const best = Math.log(ldrOhmsAt(model.curve, lux));
      return model.fit.alternatives.reduce((total, { kind, curve, covariance, weight }) => {
        if (weight < 1e-3) return total;
        const own = quadraticForm(lnOhmsGradient(kind, curve, lux), covariance);
        return total + weight * (own + (Math.log(ldrOhmsAt(curve, lux)) - best) ** 2);
      }, 0);
    }
  }
}

/** The factor that turns a standard deviation of a model's curve into half its 95 % interval. */
export function bandFactor(model: LdrModel): number {
  if (model.source === 'bag') return studentT975(model.bag.count - 1);
  if (model.source === 'measured' && model.fit.degrees > 0) return studentT975(model.fit.degrees);
  return model.source === 'typical' ? 2 : 1.96;
}

/**
 * Half-width of the 95 % band of ln R at a light: for a measured LDR the error of the fitted curve there (delta method
 * on the covariance of its parameters, and what the other kinds of curve would say, by their Akaike weight; Student's
 * t); for a typical one, or one of a bag, the spread between parts sold as the same. Grows with the distance from the
 * readings.
 * @param lux above 0
 */
export function lnOhmsBand(model: LdrModel, lux: number): number {
  return bandFactor(model) * Math.sqrt(Math.max(0, lnOhmsVariance(model, lux)));
}

/** Lower and upper end of the 95 % band of the resistance at a light, in Ω. */
export function ldrOhmsBand(model: LdrModel, lux: number): { readonly low: number; readonly high: number } {
  const middle = ldrOhmsAt(model.curve, lux);
  const factor = Math.exp(lnOhmsBand(model, lux));
  return { low: middle / factor, high: middle * factor };
}

/** The curve's local slope `−d ln R / d ln E`, above 0. */
export function localSlope(curve: LdrCurve, lux: number): number {
  return Math.log(ldrOhmsAt(curve, lux / 1.01) / ldrOhmsAt(curve, lux * 1.01)) / Math.log(1.01 ** 2);
}

/**
 * The 95 % range of the light at which the LDR has the resistance that the curve gives at `lux`: the band of ln R,
 * divided by the curve's local slope (delta method).
 */
export function luxBand(model: LdrModel, lux: number): { readonly low: number; readonly high: number } {
  const factor = Math.exp(lnOhmsBand(model, lux) / localSlope(model.curve, lux));
  return { low: lux / factor, high: lux * factor };
}

/** The light at which another kind of curve would have the same resistance as the chosen one has at `lux`. */
export function lightByOtherCurve(model: LdrModel, other: LdrCurve, lux: number): number | null {
  return ldrLuxAt(other, ldrOhmsAt(model.curve, lux));
}
