import { at } from '../result';
import { ldrOhmsAt, REFERENCE_LUX, type LdrCurve } from './curve';
import type { FitRefusal } from './fit';
import { fitLdr, type LdrFit } from './fitLdr';
import { lnOhmsGradient, type Observation } from './maximumLikelihood';
import { studentT975 } from './studentT';
import { TYPICAL_GAMMA_SPREAD, TYPICAL_LDR, TYPICAL_R10_FACTOR } from './typical';

/** What is known of the LDR: its own fitted curve, or the typical one with the reason why. */
export type LdrModel =
  | { readonly source: 'measured'; readonly curve: LdrCurve; readonly fit: LdrFit }
  | { readonly source: 'typical'; readonly curve: LdrCurve; readonly why: FitRefusal };

/** The LDR's model from its readings: the fitted curve, or the typical one when there is nothing to fit. */
export function ldrModelOf(observations: readonly Observation[]): LdrModel {
  const fitted = fitLdr(observations);
  if (fitted.ok) return { source: 'measured', curve: fitted.fit.curve, fit: fitted.fit };
  return { source: 'typical', curve: TYPICAL_LDR, why: fitted.reason };
}

/**
 * Half-width of the 95 % band of ln R at a light: for a measured LDR the error of the fitted curve there (delta method
 * on the covariance of its parameters, Student's t); for the typical one the spread between parts sold as the same.
 * Grows with the distance from the readings.
 * @param lux above 0
 */
export function lnOhmsBand(model: LdrModel, lux: number): number {
  if (model.source === 'typical') {
    return Math.hypot(Math.log(TYPICAL_R10_FACTOR), TYPICAL_GAMMA_SPREAD * Math.log(lux / REFERENCE_LUX));
  }
  const { kind, curve, covariance, degrees } = model.fit;
  const gradient = lnOhmsGradient(kind, curve, lux);
  const p = gradient.length;
  let variance = 0;
  for (let row = 0; row < p; row++) {
    for (let column = 0; column < p; column++) {
      variance += at(gradient, row) * at(covariance, row * p + column) * at(gradient, column);
    }
  }
  const t = degrees > 0 ? studentT975(degrees) : 1.96;
  return t * Math.sqrt(Math.max(0, variance));
}

/** Lower and upper end of the 95 % band of the resistance at a light, in Ω. */
export function ldrOhmsBand(model: LdrModel, lux: number): { readonly low: number; readonly high: number } {
  const middle = ldrOhmsAt(model.curve, lux);
  const factor = Math.exp(lnOhmsBand(model, lux));
  return { low: middle / factor, high: middle * factor };
}

/**
 * The 95 % range of the light at which the LDR has the resistance that the curve gives at `lux`: the band of ln R,
 * divided by the curve's local slope (delta method).
 */
export function luxBand(model: LdrModel, lux: number): { readonly low: number; readonly high: number } {
  const slope =
    Math.log(ldrOhmsAt(model.curve, lux / 1.01) / ldrOhmsAt(model.curve, lux * 1.01)) / Math.log(1.01 ** 2);
  const factor = Math.exp(lnOhmsBand(model, lux) / slope);
  return { low: lux / factor, high: lux * factor };
}
