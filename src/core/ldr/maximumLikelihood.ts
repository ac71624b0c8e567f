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

/** The observations as arrays, so that a fit goes over them without making anything. Shape of each: n. */
interface Prepared {
  /** ln(E/10 lx) */
  readonly x: Float64Array;
  /** ln R read, or of the limit */
  readonly y: Float64Array;
  readonly sigma: Float64Array;
  readonly above: Uint8Array;
}

function prepare(observations: readonly Observation[]): Prepared {
  return {
    x: Float64Array.from(observations, ({ lux }) => Math.log(lux / REFERENCE_LUX)),
    y: Float64Array.from(observations, ({ ohms }) => Math.log(ohms)),
    sigma: Float64Array.from(observations, ({ sigma }) => sigma),
    above: Uint8Array.from(observations, ({ above }) => (above ? 1 : 0)),
  };
}

const LN_ROOT_TWO_PI = 0.5 * Math.log(2 * Math.PI);

/** ln L with its score and expected-type information by parameter. Shapes: p, and p × p row-major; used again for one point after another. */
interface Evaluation {
  value: number;
  readonly score: Float64Array;
  readonly information: Float64Array;
}

/** One pass over the observations: the same figures as {@link lnLikelihood} and {@link lnOhmsGradient}, without their arrays. */
function evaluate(
  { x, y, sigma, above }: Prepared,
  kind: FloorKind,
  theta: readonly number[],
  scale: number,
  into: Evaluation,
): Evaluation {
  const p = parameterCount[kind];
  const hasDark = kind === 'dark' || kind === 'both';
  const hasBright = kind === 'bright' || kind === 'both';
  const r10Ohms = Math.exp(theta[0]!);
  const gamma = theta[1]!;
  const dark = hasDark ? Math.exp(-theta[2]!) : 0;
  const brightOhms = hasBright ? Math.exp(theta[p - 1]!) : 0;
  const { score, information } = into;
  score.fill(0);
  information.fill(0);
  let value = 0;
  for (let i = 0; i < x.length; i++) {
    const light = Math.exp(gamma * x[i]!) / r10Ohms;
    const conductance = light + dark;
    const ohms = brightOhms + 1 / conductance;
    const share = 1 / (conductance * conductance * ohms);
    gradient[0] = light * share;
    gradient[1] = -x[i]! * light * share;
    if (hasDark) gradient[2] = dark * share;
    if (hasBright) gradient[p - 1] = brightOhms / ohms;
    const deviation = sigma[i]! * scale;
    const z = (y[i]! - Math.log(ohms)) / deviation;
    const isAbove = above[i] === 1;
    const hazard = isAbove ? upperHazard(z) : 0;
    const pull = (isAbove ? hazard : z) / deviation;
    const weight = (isAbove ? hazard * (hazard - z) : 1) / (deviation * deviation);
    value += isAbove ? lnUpperTail(z) : -0.5 * z * z - Math.log(deviation) - LN_ROOT_TWO_PI;
    for (let row = 0; row < p; row++) {
      score[row]! += pull * gradient[row]!;
      for (let column = 0; column <= row; column++) {
        information[row * p + column]! += weight * gradient[row]! * gradient[column]!;
      }
    }
  }
  for (let row = 0; row < p; row++) {
    for (let column = row + 1; column < p; column++)
      information[row * p + column] = information[column * p + row]!;
  }
  into.value = value;
  return into;
}

const MAX_PARAMETERS = 4;
/** Derivatives of ln R at one observation. */
const gradient = new Float64Array(MAX_PARAMETERS);

export interface Estimate {
  readonly theta: readonly number[];
  readonly curve: LdrCurve;
  /** Inverse of the information, row-major p × p; `null` where the readings do not tell the parameters apart. */
  readonly covariance: Float64Array | null;
}

/** The search ends at a step of ln R10 and γ that no figure would show. */
const SETTLED_STEP = 1e-8;
const MAX_ROUNDS = 60;
/** No LDR has a dark floor of 1 TΩ or a bright one of 1 µΩ. */
const LN_NO_DARK = Math.log(1e12);
const LN_NO_BRIGHT = Math.log(1e-6);

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
  const prepared = prepare(observations);
  const room = (): Evaluation => ({
    value: 0,
    score: new Float64Array(p),
    information: new Float64Array(p * p),
  });
  let theta = [...start];
  let best = evaluate(prepared, kind, theta, scale, room());
  let tried = room();
  const matrix = new Float64Array(p * p);
  const move = new Float64Array(p);
  let damping = 1e-4;
  for (let round = 0; round < MAX_ROUNDS && damping < 1e8; round++) {
    matrix.set(best.information);
    move.set(best.score);
    for (let i = 0; i < p; i++) matrix[i * p + i]! *= 1 + damping;
    if (!solveLinear(matrix, move, p)) {
      damping = damping * 10 + 1e-9;
      continue;
    }
    const next = theta.map((value, i) => value + at(move, i));
    evaluate(prepared, kind, next, scale, tried);
    if (tried.value >= best.value) {
      theta = next;
      [best, tried] = [tried, best];
      damping /= 10;
    } else {
      damping *= 10;
    }
    if (move.every((step) => Math.abs(step) < SETTLED_STEP) || hasNoFloor(theta)) break;
  }
  return { theta, curve: curveOf(kind, theta), covariance: inverse(best.information, p) };
}

/** Whether a floor has run so far away from all readings that nothing tells where it is; it only goes on from there. */
function hasNoFloor([, , ...lnFloors]: readonly number[]): boolean {
  return lnFloors.some((ln) => ln > LN_NO_DARK || ln < LN_NO_BRIGHT);
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
