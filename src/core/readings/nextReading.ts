import { lnOhmsGradient, type FloorKind } from '../ldr/maximumLikelihood';
import { bandFactor, lnOhmsVariance, localSlope, type LdrModel } from '../ldr/model';
import { ASSUMED_SCATTER } from '../ldr/fitLdr';
import { studentT975 } from '../numeric/studentT';
import { TYPICAL_GAMMA_SPREAD, TYPICAL_R10_FACTOR } from '../ldr/typical';
import { logSpacedLux, POSSIBLE_LIGHT } from '../light/range';
import { quadraticForm } from '../numeric/quadraticForm';
import { measuredLdr } from './ldrOf';
import type { Measurement } from './reading';

/** Which reading would help most, and how much. */
export interface NextReading {
  readonly lux: number;
  /** 95 % range of the switching light, as a ratio about it: now, and expected with that reading. Both above 1. */
  readonly nowRatio: number;
  readonly thenRatio: number;
}

/** A reading beyond these multiples of what was read is hard to set up, and leans on the curve's shape. */
const REACH = 30;
/** A gain of less than this share of the doubt is not worth a reading. */
const MIN_GAIN = 0.07;
/** A switching light known to within this ratio is known well enough: less than a hand can set. */
const KNOWN_RATIO = 1.05;

/**
 * The light whose reading would narrow the switching point most: each candidate is added to the fit in thought (one more
 * row of information leaves `gᵀC′g = gᵀCg − (gᵀCh)²/(σ² + hᵀCh)`; one more degree of freedom), and the band of ln R at the goal,
 * over the curve's slope, is compared.
 *
 * @param goalLux where the LDR must be known, on the readings' scale
 * @returns `null` where no light helps by 7 % of the doubt, where there is hardly any left, or the project has no light figures
 */
export function nextReading(measurement: Measurement, goalLux: number): NextReading | null {
  const { model } = measuredLdr(measurement);
  const start = startOf(model);
  if (!start) return null;
  const slope = localSlope(model.curve, goalLux);
  const goal = lnOhmsGradient(start.kind, model.curve, goalLux);
  const nowBand = bandFactor(model) * Math.sqrt(lnOhmsVariance(model, goalLux));
  // What the doubt between kinds of curve adds stays as it is: a reading may settle it, but that is not promised.
  const known = quadraticForm(goal, start.covariance);
  const pulled = times(start.covariance, goal);
  const between = Math.max(0, lnOhmsVariance(model, goalLux) - known);
  let best: { lux: number; band: number } | null = null;
  for (const lux of candidatesFor(model, goalLux)) {
    const gradient = lnOhmsGradient(start.kind, model.curve, lux);
    const variance =
      known - dot(pulled, gradient) ** 2 / (start.scatter ** 2 + quadraticForm(gradient, start.covariance));
    const band = start.nextFactor * Math.sqrt(Math.max(0, variance) + between);
    if (!best || band < best.band) best = { lux, band };
  }
  if (!best || best.band > nowBand * (1 - MIN_GAIN) || nowBand / slope < Math.log(KNOWN_RATIO)) return null;
  return {
    lux: Number(best.lux.toPrecision(2)),
    nowRatio: Math.exp(nowBand / slope),
    thenRatio: Math.exp(best.band / slope),
  };
}

interface Start {
  readonly kind: FloorKind;
  readonly covariance: Float64Array;
  readonly scatter: number;
  /** Standard deviation to half a 95 % interval, with one reading more. */
  readonly nextFactor: number;
}

function startOf(model: LdrModel): Start | null {
  if (model.source === 'measured') {
    const { kind, covariance, residualStd, degrees } = model.fit;
    return {
      kind,
      covariance,
      scatter: residualStd ?? ASSUMED_SCATTER,
      nextFactor: degrees + 1 > 0 ? studentT975(degrees + 1) : 1.96,
    };
  }
  if (model.source === 'named') return null;
  const [r10Std, gammaStd] =
    model.source === 'bag'
      ? [model.bag.lnR10Std, model.bag.gammaStd]
      : [Math.log(TYPICAL_R10_FACTOR) / 2, TYPICAL_GAMMA_SPREAD / 2];
  return {
    kind: 'power',
    covariance: Float64Array.of(r10Std ** 2, 0, 0, gammaStd ** 2),
    scatter: ASSUMED_SCATTER,
    nextFactor: bandFactor(model),
  };
}

/** Lights that one could set up: around what was read and the goal, a quarter of an octave apart. */
function candidatesFor(model: LdrModel, goalLux: number): Float64Array {
  const read = model.source === 'measured' ? [model.fit.minLux, model.fit.maxLux] : [];
  const minLux = Math.max(POSSIBLE_LIGHT.minLux, Math.min(goalLux, ...read) / REACH);
  const maxLux = Math.min(POSSIBLE_LIGHT.maxLux, Math.max(goalLux, ...read) * REACH);
  const count = Math.max(2, Math.ceil(4 * Math.log2(maxLux / minLux)));
  return logSpacedLux({ minLux, maxLux }, count);
}

/** `C·g`. @param matrix row-major p × p, symmetric; @param vector of p */
function times(matrix: Float64Array, vector: readonly number[]): readonly number[] {
  const p = vector.length;
  return vector.map((_, row) =>
    vector.reduce((total, entry, column) => total + matrix[row * p + column]! * entry, 0),
  );
}

function dot(one: readonly number[], other: readonly number[]): number {
  return one.reduce((total, entry, index) => total + entry * other[index]!, 0);
}
