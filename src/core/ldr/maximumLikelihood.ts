import { at } from '../result';
import { solveLinear } from '../numeric/linear';
import { lnUpperTail, upperHazard } from '../numeric/normal';
import { REFERENCE_LUX, ldrOhmsAt, type LdrCurve } from './curve';

/** One reading as the fit sees it. */
export interface Observation {
  readonly lux: number;
  /** The resistance read; for an overrange reading the limit that it lies above. */
  readonly ohms: number;
  /** Standard deviation of ln R, up to a common scale. */
  readonly sigma: number;
  /** The meter was over its range: all that is known is R > `ohms`. */
  readonly above: boolean;
}

/** Which floors the curve has. */
export type FloorKind = 'power' | 'dark' | 'bright' | 'both';

/** The parameters that are fitted: ln R10, γ, then ln Rdark and ln Rbright where the kind has them. */
export const parameterCount: Readonly<Record<FloorKind, number>> = { power: 2, dark: 3, bright: 3, both: 4 };

export function curveOf(kind: FloorKind, theta: readonly number[]): LdrCurve {
  const [lnR10 = 0, gamma = 0, third = 0, fourth = 0] = theta;
  const hasDark = kind === 'dark' || kind === 'both';
  const lnBright = kind === 'bright' ? third : fourth;
  return {
    r10Ohms: Math.exp(lnR10),
    gamma,
    darkOhms: hasDark ? Math.exp(third) : null,
    brightOhms: kind === 'power' || kind === 'dark' ? 0 : Math.exp(lnBright),
  };
}

/** Derivatives of ln R at a light by each parameter of the kind. */
export function lnOhmsGradient(kind: FloorKind, curve: LdrCurve, lux: number): number[] {
  const x = Math.log(lux / REFERENCE_LUX);
  const light = Math.exp(curve.gamma * x) / curve.r10Ohms;
  const dark = curve.darkOhms === null ? 0 : 1 / curve.darkOhms;
  const share = 1 / ((light + dark) ** 2 * ldrOhmsAt(curve, lux));
  const gradient = [light * share, -x * light * share];
  if (kind === 'dark' || kind === 'both') gradient.push(dark * share);
  if (kind === 'bright' || kind === 'both') gradient.push(curve.brightOhms / ldrOhmsAt(curve, lux));
  return gradient;
}

/** ln L of the observations with every σ times `scale`. */
export function lnLikelihood(observations: readonly Observation[], curve: LdrCurve, scale: number): number {
  return observations.reduce((total, { lux, ohms, sigma, above }) => {
    const deviation = sigma * scale;
    const z = Math.log(ohms / ldrOhmsAt(curve, lux)) / deviation;
    return total + (above ? lnUpperTail(z) : -0.5 * z * z - Math.log(deviation * Math.sqrt(2 * Math.PI)));
  }, 0);
}

/** Score and expected-type information of ln L, by parameter. Shapes: p, and p × p row-major. */
function scoreAndInformation(
  observations: readonly Observation[],
  kind: FloorKind,
  curve: LdrCurve,
  scale: number,
) {
  const p = parameterCount[kind];
  const score = new Float64Array(p);
  const information = new Float64Array(p * p);
  for (const { lux, ohms, sigma, above } of observations) {
    const deviation = sigma * scale;
    const z = Math.log(ohms / ldrOhmsAt(curve, lux)) / deviation;
    const hazard = above ? upperHazard(z) : 0;
    const pull = (above ? hazard : z) / deviation;
    const weight = (above ? hazard * (hazard - z) : 1) / (deviation * deviation);
    const gradient = lnOhmsGradient(kind, curve, lux);
    for (let row = 0; row < p; row++) {
      score[row]! += pull * at(gradient, row);
      for (let column = 0; column < p; column++) {
        information[row * p + column]! += weight * at(gradient, row) * at(gradient, column);
      }
    }
  }
  return { score, information };
}

export interface Estimate {
  readonly theta: readonly number[];
  readonly curve: LdrCurve;
  /** Inverse of the information, row-major p × p; `null` where the readings do not tell the parameters apart. */
  readonly covariance: Float64Array | null;
}

/** The search ends at a step of ln R10 and γ that no figure would show. */
const SETTLED_STEP = 1e-9;
const MOST_ROUNDS = 60;

/**
 * Maximum likelihood of a curve's parameters: Gauss–Newton on ln R with Levenberg–Marquardt damping; an overrange
 * reading enters as `ln Q((ln limit − ln R)/σ)` (Tobit). The σ are taken as given, times `scale`.
 * @param start parameters to begin from
 */
export function maximiseLikelihood(
  observations: readonly Observation[],
  kind: FloorKind,
  start: readonly number[],
  scale: number,
): Estimate {
  const p = parameterCount[kind];
  let theta = [...start];
  let best = lnLikelihood(observations, curveOf(kind, theta), scale);
  let damping = 1e-4;
  for (let round = 0; round < MOST_ROUNDS && damping < 1e8; round++) {
    const { score, information } = scoreAndInformation(observations, kind, curveOf(kind, theta), scale);
    const matrix = information.slice();
    for (let i = 0; i < p; i++) matrix[i * p + i]! *= 1 + damping;
    if (!solveLinear(matrix, score, p)) {
      damping = damping * 10 + 1e-9;
      continue;
    }
    const next = theta.map((value, i) => value + at(score, i));
    const step = Math.max(...score.map(Math.abs));
    const value = lnLikelihood(observations, curveOf(kind, next), scale);
    if (value >= best) {
      theta = next;
      best = value;
      damping /= 10;
    } else {
      damping *= 10;
    }
    if (step < SETTLED_STEP) break;
  }
  const curve = curveOf(kind, theta);
  return {
    theta,
    curve,
    covariance: inverse(scoreAndInformation(observations, kind, curve, scale).information, p),
  };
}

function inverse(matrix: Float64Array, p: number): Float64Array | null {
  const result = new Float64Array(p * p);
  for (let column = 0; column < p; column++) {
    const unit = new Float64Array(p);
    unit[column] = 1;
    if (!solveLinear(matrix.slice(), unit, p)) return null;
    for (let row = 0; row < p; row++) result[row * p + column] = at(unit, row);
  }
  return result.every(Number.isFinite) ? result : null;
}
