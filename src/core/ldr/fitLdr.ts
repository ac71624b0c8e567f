import { keysOf } from '../record';
import { at, type Ok, type Refused } from '../result';
import { ldrOhmsAt, type LdrCurve } from './curve';
import { fitPowerLaw, type FitRefusal } from './fit';
import {
  lnLikelihood,
  maximiseLikelihood,
  parameterCount,
  type Estimate,
  type FloorKind,
  type Observation,
} from './maximumLikelihood';

/** A kind of curve that was tried, and how well it did for its parameters. */
export interface Alternative {
  readonly kind: FloorKind;
  readonly curve: LdrCurve;
  /** Akaike's criterion, corrected for few readings: lower is better. */
  readonly aicc: number;
  /** Its share of belief among the kinds tried (Akaike weight); they add up to 1. */
  readonly weight: number;
  /** Covariance of its parameters; row-major. */
  readonly covariance: Float64Array;
}

export interface LdrFit {
  readonly kind: FloorKind;
  readonly curve: LdrCurve;
  /** Readings that gave a figure, and readings that only said "above this". */
  readonly count: number;
  readonly aboveCount: number;
  /** Readings with a figure, less the parameters. */
  readonly degrees: number;
  /** Covariance of ln R10, γ and the floors' logarithms, the chosen kind taken as the true one; row-major. */
  readonly covariance: Float64Array;
  /** Standard errors, with what the other kinds would say counted by their weight. */
  readonly gammaStdError: number | null;
  readonly lnR10StdError: number | null;
  /** Scatter of ln R about the curve, for a reading of usual weight; `null` with two readings. */
  readonly residualStd: number | null;
  /** `ln(read / curve)` of each observation in the order given; `null` for one that only said "above this". */
  readonly residuals: readonly (number | null)[];
  readonly minLux: number;
  readonly maxLux: number;
  /** Every kind that the readings were enough for, best first. */
  readonly alternatives: readonly Alternative[];
}

/** Scatter of ln R taken for readings by hand where two readings leave none to see. */
export const ASSUMED_SCATTER = 0.1;
/** A floor is added only where its parameter has this many readings to spare. */
const SPARE_READINGS = 2;

/**
 * Fits an LDR's curve to readings with their own weights, overrange ones as "above this": a power law first, floors
 * where the readings show the bend (smallest AICc) and are enough for it. Standard errors are unconditional: they count
 * the doubt between the kinds (Burnham and Anderson).
 * @param given the kind of curve, where it is known; otherwise all are tried
 */
export function fitLdr(
  observations: readonly Observation[],
  given?: FloorKind,
): Ok<{ fit: LdrFit }> | Refused<FitRefusal> {
  const figures = observations.filter((observation) => !observation.above);
  if (figures.length === 0 && observations.length > 0) return { ok: false, reason: 'all-above' };
  const linear = fitPowerLaw(figures);
  if (!linear.ok) return linear;

  const start = [Math.log(linear.fit.curve.r10Ohms), linear.fit.curve.gamma];
  const tried = (given ? [given] : kindsFor(figures.length))
    .map((kind) => fitKind(observations, figures, kind, startFor(kind, start, figures)))
    .filter((candidate) => candidate !== null)
    .sort((one, other) => one.aicc - other.aicc);
  const best = tried[0];
  if (!best || !(best.curve.gamma > 0)) return { ok: false, reason: 'not-falling' };

  const degrees = figures.length - parameterCount[best.kind];
  const known = degrees > 0;
  const alternatives = weighed(tried);
  return {
    ok: true,
    fit: {
      kind: best.kind,
      curve: best.curve,
      count: figures.length,
      aboveCount: observations.length - figures.length,
      degrees,
      covariance: best.covariance,
      lnR10StdError: known ? unconditionalError(alternatives, 0) : null,
      gammaStdError: known ? unconditionalError(alternatives, 1) : null,
      residualStd: known ? best.scale * defaultSigma(figures) : null,
      residuals: observations.map(({ lux, ohms, above }) =>
        above ? null : Math.log(ohms / ldrOhmsAt(best.curve, lux)),
      ),
      minLux: linear.fit.minLux,
      maxLux: linear.fit.maxLux,
      alternatives,
    },
  };
}

/** Akaike weights: `exp(−Δ/2)`, as shares of their sum. */
function weighed(tried: readonly Tried[]): readonly Alternative[] {
  const min = tried[0]?.aicc ?? 0;
  const beliefs = tried.map(({ aicc }) => (tried.length === 1 ? 1 : Math.exp((min - aicc) / 2)));
  const total = beliefs.reduce((sum, belief) => sum + belief, 0);
  return tried.map(({ kind, curve, aicc, covariance }, index) => ({
    kind,
    curve,
    aicc,
    covariance,
    weight: at(beliefs, index) / total,
  }));
}

/** Standard error of ln R10 (0) or γ (1) about the chosen kind's, over all kinds by their weight. */
function unconditionalError(alternatives: readonly Alternative[], index: 0 | 1): number {
  const parameter = ({ curve }: Alternative) => (index === 0 ? Math.log(curve.r10Ohms) : curve.gamma);
  const best = at(alternatives, 0);
  const variance = alternatives.reduce((total, alternative) => {
    const p = parameterCount[alternative.kind];
    const own = at(alternative.covariance, index * p + index);
    return total + alternative.weight * (own + (parameter(alternative) - parameter(best)) ** 2);
  }, 0);
  return Math.sqrt(variance);
}

function kindsFor(count: number): readonly FloorKind[] {
  const all = keysOf(parameterCount);
  return all.filter((kind) => kind === 'power' || count >= parameterCount[kind] + SPARE_READINGS);
}

/** Floors begin just beyond the readings, where they bend the curve a little. */
function startFor(kind: FloorKind, power: readonly number[], figures: readonly Observation[]): number[] {
  const ohms = figures.map((observation) => observation.ohms);
  const lnDark = Math.log(Math.max(...ohms) * 4);
  const lnBright = Math.log(Math.min(...ohms) / 4);
  if (kind === 'dark') return [...power, lnDark];
  if (kind === 'bright') return [...power, lnBright];
  return kind === 'both' ? [...power, lnDark, lnBright] : [...power];
}

interface Tried extends Omit<Alternative, 'weight'> {
  readonly scale: number;
}

/** Fits one kind, its scale of σ estimated from the residuals; `null` where it makes no sense for these readings. */
function fitKind(
  observations: readonly Observation[],
  figures: readonly Observation[],
  kind: FloorKind,
  start: readonly number[],
): Tried | null {
  const degrees = figures.length - parameterCount[kind];
  let scale = ASSUMED_SCATTER / defaultSigma(figures);
  let estimate: Estimate = maximiseLikelihood(observations, kind, start, scale);
  for (let round = 0; round < 8 && degrees > 0; round++) {
    const next = Math.max(1e-6, Math.sqrt(squares(figures, estimate.curve) / degrees));
    const ratio = next / scale;
    scale = next;
    if (Math.abs(ratio - 1) < 1e-6) break;
    // Without overrange readings only the errors depend on the scale, not the curve.
    estimate =
      figures.length === observations.length
        ? { ...estimate, covariance: estimate.covariance?.map((entry) => entry * ratio * ratio) ?? null }
        : maximiseLikelihood(observations, kind, estimate.theta, scale);
  }
  if (estimate.covariance === null || !isSensible(kind, estimate.curve, figures)) return null;
  const maxLikely = degrees > 0 ? scale * Math.sqrt(degrees / figures.length) : scale;
  const k = parameterCount[kind] + 1;
  const spare = observations.length - k - 1;
  // With so few readings the criterion has no value: then only the power law stands, without a rival.
  if (spare <= 0 && kind !== 'power') return null;
  const correction = spare > 0 ? (2 * k * (k + 1)) / spare : 0;
  const aicc = -2 * lnLikelihood(observations, estimate.curve, maxLikely) + 2 * k + correction;
  return { kind, curve: estimate.curve, covariance: estimate.covariance, scale, aicc };
}

/** Floors must lie where a photoresistor can have them, and γ must be one. */
function isSensible(kind: FloorKind, curve: LdrCurve, figures: readonly Observation[]): boolean {
  if (kind === 'power') return true;
  const ohms = figures.map((observation) => observation.ohms);
  const darkIsReal =
    curve.darkOhms === null || (curve.darkOhms > Math.max(...ohms) * 0.8 && curve.darkOhms < 1e9);
  const brightIsReal =
    curve.brightOhms === 0 || (curve.brightOhms < Math.min(...ohms) * 1.2 && curve.brightOhms > 0.1);
  return darkIsReal && brightIsReal && curve.gamma > 0.1 && curve.gamma < 2.5;
}

function squares(figures: readonly Observation[], curve: LdrCurve): number {
  return figures.reduce((total, { lux, ohms, sigma }) => {
    const z = Math.log(ohms / ldrOhmsAt(curve, lux)) / sigma;
    return total + z * z;
  }, 0);
}

/** The σ of a reading of usual weight: the root of the mean square. */
function defaultSigma(figures: readonly Observation[]): number {
  return Math.sqrt(figures.reduce((total, { sigma }) => total + sigma * sigma, 0) / figures.length);
}
