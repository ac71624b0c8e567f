import type { Ok, Refused } from '../result';
import { SAME_LIGHT_RATIO } from '../light/scale';
import { REFERENCE_LUX, type LdrCurve } from './curve';

/** One reading: a light and the resistance read at it. */
export interface FitPoint {
  readonly lux: number;
  readonly ohms: number;
}

export interface PowerLawFit {
  readonly curve: LdrCurve;
  readonly count: number;
  /** Standard error of γ; `null` with two readings, which always lie on a line. */
  readonly gammaStdError: number | null;
  /** Standard error of ln R10, so R10 × or ÷ its exponential; `null` with two readings. */
  readonly lnR10StdError: number | null;
  /** Standard deviation of ln R about the line on n − 2 degrees of freedom; `null` with two readings. */
  readonly residualStd: number | null;
  /** `ln(read / curve)` of each reading, in the order given. Shape: `count`. */
  readonly residuals: readonly number[];
  readonly minLux: number;
  readonly maxLux: number;
}

export type FitRefusal = 'no-readings' | 'all-above' | 'one-light' | 'not-falling';

/**
 * Fits the power law `ln R = ln R10 − γ·ln(E/10)` by ordinary least squares with equal weights (simple linear
 * regression; standard errors from the residual variance on n − 2 degrees of freedom).
 *
 * @param points any order, each lux and ohms above 0
 * @returns the fit; or `no-readings`, `one-light` (all at the same light) or `not-falling` (γ would be 0 or below:
 *   the readings rise with light, so light and resistance are likely mixed up)
 */
export function fitPowerLaw(points: readonly FitPoint[]): Ok<{ fit: PowerLawFit }> | Refused<FitRefusal> {
  if (points.length === 0) return { ok: false, reason: 'no-readings' };
  const lights = points.map((point) => point.lux);
  const [minLux, maxLux] = [Math.min(...lights), Math.max(...lights)];
  if (maxLux / minLux < SAME_LIGHT_RATIO) return { ok: false, reason: 'one-light' };

  const count = points.length;
  const xs = points.map((point) => Math.log(point.lux / REFERENCE_LUX));
  const ys = points.map((point) => Math.log(point.ohms));
  const meanX = sum(xs) / count;
  const meanY = sum(ys) / count;
  const spreadX = sum(xs.map((x) => (x - meanX) ** 2));
  const gamma = -sum(xs.map((x, i) => (x - meanX) * ((ys[i] ?? 0) - meanY))) / spreadX;
  if (!(gamma > 0)) return { ok: false, reason: 'not-falling' };

  const lnR10 = meanY + gamma * meanX;
  const residuals = xs.map((x, i) => (ys[i] ?? 0) - (lnR10 - gamma * x));
  const residualStd = count > 2 ? Math.sqrt(sum(residuals.map((r) => r * r)) / (count - 2)) : null;
  return {
    ok: true,
    fit: {
      curve: { r10Ohms: Math.exp(lnR10), gamma, darkOhms: null, brightOhms: 0 },
      count,
      gammaStdError: residualStd === null ? null : residualStd / Math.sqrt(spreadX),
      lnR10StdError: residualStd === null ? null : residualStd * Math.sqrt(1 / count + meanX ** 2 / spreadX),
      residualStd,
      residuals,
      minLux,
      maxLux,
    },
  };
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}
