import { REFERENCE_LUX, ldrOhmsAt, type LdrCurve } from './curve';
import { fitPowerLaw, type FitPoint, type FitRefusal, type PowerLawFit } from './fit';
import { studentT975 } from './studentT';
import { TYPICAL_GAMMA_SPREAD, TYPICAL_LDR, TYPICAL_R10_FACTOR } from './typical';

/** What is known of the LDR: its own fitted curve, or the typical one with the reason why. */
export type LdrModel =
  | { readonly source: 'measured'; readonly curve: LdrCurve; readonly fit: PowerLawFit }
  | { readonly source: 'typical'; readonly curve: LdrCurve; readonly why: FitRefusal };

/** Scatter of ln R taken for readings by hand when two readings leave none to see. */
export const ASSUMED_SCATTER = 0.1;

/** The LDR's model from its readings: the fitted power law, or the typical curve when there is nothing to fit. */
export function ldrModelOf(points: readonly FitPoint[]): LdrModel {
  const fitted = fitPowerLaw(points);
  if (fitted.ok) return { source: 'measured', curve: fitted.fit.curve, fit: fitted.fit };
  return { source: 'typical', curve: TYPICAL_LDR, why: fitted.reason };
}

/**
 * Half-width of the 95 % band of ln R at a light: for a measured LDR the error of the fitted line there (confidence
 * band of simple regression, Student's t); for the typical one the spread between parts sold as the same. Grows with
 * the distance from the readings.
 * @param lux above 0
 */
export function lnOhmsBand(model: LdrModel, lux: number): number {
  const x = Math.log(lux / REFERENCE_LUX);
  if (model.source === 'typical') {
    return Math.hypot(Math.log(TYPICAL_R10_FACTOR), TYPICAL_GAMMA_SPREAD * x);
  }
  const { fit } = model;
  const scatter = fit.residualStd ?? ASSUMED_SCATTER;
  const t = fit.residualStd === null ? 1.96 : studentT975(fit.count - 2);
  return t * scatter * Math.sqrt(1 / fit.count + (x - fit.meanX) ** 2 / fit.spreadX);
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
