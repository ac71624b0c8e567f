import { bagCurve, type BagSpread } from './bag';
import { ldrLuxAt, ldrOhmsAt, REFERENCE_LUX, type LdrCurve } from './curve';
import type { FitRefusal } from './fit';
import { lnOhmsVarianceOf } from './fitBand';
import { fitLdr, type FitOptions, type LdrFit } from './fitLdr';
import type { Observation } from './observation';
import { studentT975 } from '../numeric/studentT';
import { TYPICAL_GAMMA_SPREAD, TYPICAL_LDR, TYPICAL_R10_FACTOR } from './typical';

/** What is known of the LDR: its own fitted curve, or what stands in for it with the reason why. */
export type LdrModel =
  | {
      readonly source: 'measured';
      readonly curve: LdrCurve;
      readonly fit: LdrFit;
      /** Standard deviation of the one factor, in ln E, that all lights may be off by together: the light meter's. */
      readonly lightStd: number;
    }
  /** Another LDR of the same bag, with the bag's own spread. */
  | { readonly source: 'bag'; readonly curve: LdrCurve; readonly bag: BagSpread; readonly why: FitRefusal }
  | { readonly source: 'typical'; readonly curve: LdrCurve; readonly why: FitRefusal }
  /** No light figures: the curve only turns the axis into ohms and back. */
  | { readonly source: 'named'; readonly curve: LdrCurve };

export interface ModelOptions extends FitOptions {
  /** The LDR's bag, which stands in while there is nothing to fit. */
  readonly bag?: BagSpread | null;
  /** Standard deviation, in ln E, of the factor that all lights may be off by together; 0 for none. */
  readonly lightStd?: number;
}

/** The LDR's model from its readings: the fitted curve, or where there is nothing to fit its bag's or the typical one. */
export function ldrModelOf(
  observations: readonly Observation[],
  { bag = null, lightStd = 0, ...options }: ModelOptions = {},
): LdrModel {
  const fitted = fitLdr(observations, options);
  if (fitted.ok) return { source: 'measured', curve: fitted.fit.curve, fit: fitted.fit, lightStd };
  if (bag) return { source: 'bag', curve: bagCurve(bag), bag, why: fitted.reason };
  return { source: 'typical', curve: TYPICAL_LDR, why: fitted.reason };
}

/** Variance of ln R at a light, told by the meter that the readings were told by: how far the true curve may be off the model's. */
export function lnOhmsVariance(model: LdrModel, lux: number): number {
  const x = Math.log(lux / REFERENCE_LUX);
  switch (model.source) {
    case 'named':
      return 0;
    case 'typical':
      return (Math.log(TYPICAL_R10_FACTOR) / 2) ** 2 + ((TYPICAL_GAMMA_SPREAD / 2) * x) ** 2;
    case 'bag':
      return model.bag.lnR10Std ** 2 + (model.bag.gammaStd * x) ** 2;
    case 'measured':
      return lnOhmsVarianceOf(model.fit, lux);
  }
}

/** A normal quantity lies within so many standard deviations in 95 of 100 cases. */
const NORMAL_975 = 1.96;

/** The factor that turns a standard deviation of a model's curve into half its 95 % interval. */
export function bandFactor(model: LdrModel): number {
  if (model.source === 'bag') return studentT975(model.bag.count - 1);
  if (model.source === 'measured') return studentT975(model.fit.degrees);
  return model.source === 'typical' ? 2 : NORMAL_975;
}

/** Half-width of the 95 % range that the light meter's factor leaves to every light alike, in ln E; 0 where there is none. */
export function lightFactorBand(model: LdrModel): number {
  return model.source === 'measured' ? NORMAL_975 * model.lightStd : 0;
}

/**
 * Halves of the 95 % intervals of what a fit found, by scatter alone: of ln R10 and of γ.
 * The light meter's factor comes on top, see {@link lightFactorBand}: in ln R10 it is γ times as much.
 */
export function fitErrors(fit: LdrFit): { readonly lnR10: number; readonly gamma: number } {
  const factor = studentT975(fit.degrees);
  return { lnR10: factor * fit.lnR10StdError, gamma: factor * fit.gammaStdError };
}

/** Whose lux a light is told in: the meter's that the readings were told by, or true ones. */
export type LuxOf = 'meter' | 'true';

/**
 * Half-width of the 95 % band of ln R at a light: for a measured LDR the error of the fitted curve there (delta method
 * on the covariance of its parameters, the doubt between the kinds of curve with it; Student's t); for a typical one, or one of
 * a bag, the spread between parts sold as the same. Grows with the distance from the readings.
 *
 * @param lux above 0
 * @param luxOf on the meter that the readings were told by its own factor cancels; in true lux it counts
 */
export function lnOhmsBand(model: LdrModel, lux: number, luxOf: LuxOf = 'true'): number {
  const scatter = bandFactor(model) * Math.sqrt(Math.max(0, lnOhmsVariance(model, lux)));
  const factor = lightFactorBand(model);
  if (luxOf === 'meter' || factor === 0) return scatter;
  return Math.hypot(scatter, factor * localSlope(model.curve, lux));
}

/** Lower and upper end of the 95 % band of the resistance at a light, in Ω. */
export function ldrOhmsBand(
  model: LdrModel,
  lux: number,
  luxOf: LuxOf = 'true',
): { readonly low: number; readonly high: number } {
  const middle = ldrOhmsAt(model.curve, lux);
  const factor = Math.exp(lnOhmsBand(model, lux, luxOf));
  return { low: middle / factor, high: middle * factor };
}

/** The curve's local slope `−d ln R / d ln E`, above 0. */
export function localSlope(curve: LdrCurve, lux: number): number {
  return Math.log(ldrOhmsAt(curve, lux / 1.01) / ldrOhmsAt(curve, lux * 1.01)) / Math.log(1.01 ** 2);
}

/** A light known to no better than this factor is not known at all. */
const LN_MAX_FACTOR = Math.log(1e12);

/**
 * The 95 % range of the light at which the LDR has the resistance that the curve gives at `lux`: the band of ln R,
 * divided by the curve's local slope (delta method).
 */
export function luxBand(
  model: LdrModel,
  lux: number,
  luxOf: LuxOf = 'true',
): { readonly low: number; readonly high: number } {
  const factor = Math.exp(
    Math.min(LN_MAX_FACTOR, lnOhmsBand(model, lux, luxOf) / localSlope(model.curve, lux)),
  );
  return { low: lux / factor, high: lux * factor };
}

/** The light at which another kind of curve would have the same resistance as the chosen one has at `lux`. */
export function lightByOtherCurve(model: LdrModel, other: LdrCurve, lux: number): number | null {
  return ldrLuxAt(other, ldrOhmsAt(model.curve, lux));
}
