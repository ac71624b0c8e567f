import { lnUpperTail, upperHazard } from '../numeric/normal';
import { hasBrightFloor, hasDarkFloor, type FloorKind } from './kinds';
import { CURVE_PARAMETERS, type Prepared } from './observation';
import { MISTAKES, SLIP_FACTORS } from './priors';

/** ln of the posterior with its score and expected-type information by parameter; used again for one point after another. */
export interface Evaluation {
  value: number;
  /** Shape: parameters. */
  readonly score: Float64Array;
  /** By the readings and by the priors together, and by the readings alone. Row-major parameters × parameters. */
  readonly information: Float64Array;
  readonly told: Float64Array;
  /** Belief that each reading is no mistake, 0–1. Shape: count. */
  readonly sound: Float64Array;
  /** How far each figure lies off the curve in ln R, and the derivatives of ln R read. Shapes: count; row-major count × parameters. */
  readonly off: Float64Array;
  readonly slopes: Float64Array;
  /** Sum of z² of the readings with a figure, each by its belief and with every σ as given; and the sum of those beliefs. */
  squares: number;
  weight: number;
}

export const evaluation = ({ count, parameters }: Prepared): Evaluation => ({
  value: -Infinity,
  score: new Float64Array(parameters),
  information: new Float64Array(parameters * parameters),
  told: new Float64Array(parameters * parameters),
  sound: new Float64Array(count).fill(1),
  off: new Float64Array(count),
  slopes: new Float64Array(count * parameters),
  squares: 0,
  weight: 0,
});

const LN_ROOT_TWO_PI = 0.5 * Math.log(2 * Math.PI);
const ROOT_TWO_PI = Math.sqrt(2 * Math.PI);
const LN_SLIPS = SLIP_FACTORS.map((factor) => Math.log(factor));
/** A slipped figure lies this near to the curve at best. */
const SLIP_STD = 0.03;
/** Nearer to the curve than this no slip of a decade is thought of. */
const NO_SLIP = 1;
/** So many standard deviations away nothing is left of a normal density. */
const FARTHEST = 9;
const LN_HALF = Math.log(0.5);
const LN_MISTAKE = Math.log(MISTAKES.share);
const LN_SOUND = Math.log(1 - MISTAKES.share);

/** What a mistaken reading still says of the curve: a slipped figure says as much as a right one, its decades taken away. */
interface MistakeFacts {
  /** ln of the density of how far, in ln R, it lies off. */
  lnDensity: number;
  /** Derivative of ln density by the curve, and the weight of that. */
  pull: number;
  weight: number;
}
const facts: MistakeFacts = { lnDensity: 0, pull: 0, weight: 0 };

const LN_ANY = Math.log(1 - MISTAKES.slipShare) - Math.log(MISTAKES.anyStd) - LN_ROOT_TWO_PI;
const ANY_WEIGHT = 1 / MISTAKES.anyStd ** 2;
const SLIP_HEIGHT = MISTAKES.slipShare / LN_SLIPS.length / ROOT_TWO_PI;

function mistaken(off: number, std: number): MistakeFacts {
  facts.lnDensity = LN_ANY - 0.5 * (off / MISTAKES.anyStd) ** 2;
  facts.pull = off * ANY_WEIGHT;
  facts.weight = ANY_WEIGHT;
  if (Math.abs(off) < NO_SLIP) return facts;
  const slipStd = Math.hypot(std, SLIP_STD);
  let density = Math.exp(facts.lnDensity);
  facts.pull *= density;
  facts.weight *= density;
  for (const ln of LN_SLIPS) {
    const z = (off - ln) / slipStd;
    if (Math.abs(z) > FARTHEST) continue;
    const own = (SLIP_HEIGHT / slipStd) * Math.exp(-0.5 * z * z);
    density += own;
    facts.pull += (own * z) / slipStd;
    facts.weight += own / (slipStd * slipStd);
  }
  facts.pull /= density;
  facts.weight /= density;
  facts.lnDensity = Math.log(density);
  return facts;
}

/** From this far apart, in ln, the less likely of two explanations counts for nothing. */
const CERTAIN = 36;

export interface EvaluateOptions {
  readonly kind: FloorKind;
  /** What every σ is multiplied by. */
  readonly scale: number;
  /** Without, no reading can be a mistake. */
  readonly mayErr: boolean;
  /** Leaves the beliefs in the single readings as they are. */
  readonly keepsBeliefs?: boolean;
}

/** ln of the posterior at a point: {@link place} and {@link weigh}. */
export function evaluate(
  prepared: Prepared,
  theta: Float64Array,
  options: EvaluateOptions,
  into: Evaluation,
): Evaluation {
  place(prepared, theta, options.kind, into);
  return weigh(prepared, theta, options, into);
}

/** Where the curve of a point passes the readings, and how that moves with each parameter: asked once, however the scatter is taken. */
export function place(prepared: Prepared, theta: Float64Array, kind: FloorKind, into: Evaluation): void {
  const { count, parameters: p, x, y, lightShifts, ohmsShifts } = prepared;
  const { off, slopes } = into;
  const commons = p - CURVE_PARAMETERS;
  const r10Ohms = Math.exp(theta[0]!);
  const gamma = theta[1]!;
  const dark = hasDarkFloor(kind) ? Math.exp(-theta[2]!) : 0;
  const brightOhms = hasBrightFloor(kind) ? Math.exp(theta[3]!) : 0;
  for (let i = 0; i < count; i++) {
    let lnLight = x[i]!;
    let shift = 0;
    for (let c = 0; c < commons; c++) {
      const moved = theta[CURVE_PARAMETERS + c]!;
      lnLight += lightShifts[i * commons + c]! * moved;
      shift += ohmsShifts[i * commons + c]! * moved;
    }
    const light = Math.exp(gamma * lnLight) / r10Ohms;
    const conductance = light + dark;
    const ohms = brightOhms + 1 / conductance;
    const share = 1 / (conductance * conductance * ohms);
    const row = i * p;
    slopes[row] = light * share;
    slopes[row + 1] = -lnLight * light * share;
    slopes[row + 2] = dark * share;
    slopes[row + 3] = brightOhms / ohms;
    for (let c = 0; c < commons; c++)
      slopes[row + CURVE_PARAMETERS + c] =
        ohmsShifts[i * commons + c]! - gamma * light * share * lightShifts[i * commons + c]!;
    off[i] = y[i]! - Math.log(ohms) - shift;
  }
}

/**
 * One pass over the observations of a point that is placed: ln L with the priors, where a reading with a figure is normal in ln R about
 * the curve, an overrange one says `Q((ln limit − ln R)/σ)` (Tobit), and each is a mistake with a small chance.
 */
export function weigh(
  prepared: Prepared,
  theta: Float64Array,
  { kind, scale, mayErr, keepsBeliefs = false }: EvaluateOptions,
  into: Evaluation,
): Evaluation {
  const { count, parameters: p, sigma, lnSigma, above, trusted } = prepared;
  const lnScale = Math.log(scale);
  const { score, told, sound, slopes } = into;
  score.fill(0);
  told.fill(0);
  into.squares = into.weight = 0;
  let value = 0;
  for (let i = 0; i < count; i++) {
    const std = sigma[i]! * scale;
    const off = into.off[i]!;
    const z = off / std;
    const isAbove = above[i] === 1;
    const lnRight = isAbove ? lnUpperTail(z) : -0.5 * z * z - lnSigma[i]! - lnScale - LN_ROOT_TWO_PI;
    const mayBeWrong = mayErr && trusted[i] === 0;
    const mistake = mayBeWrong && !isAbove ? mistaken(off, std) : null;
    if (mayBeWrong) {
      const right = LN_SOUND + lnRight;
      const wrong = LN_MISTAKE + (mistake ? mistake.lnDensity : LN_HALF);
      const apart = Math.abs(right - wrong);
      const lesser = apart > CERTAIN ? 0 : Math.exp(-apart);
      value += Math.max(right, wrong) + Math.log1p(lesser);
      if (!keepsBeliefs) sound[i] = (right > wrong ? 1 : lesser) / (1 + lesser);
    } else {
      value += lnRight;
      sound[i] = 1;
    }

    const belief = sound[i]!;
    const hazard = isAbove ? upperHazard(z) : 0;
    let pull = (belief * (isAbove ? hazard : z)) / std;
    let weight = (belief * (isAbove ? hazard * (hazard - z) : 1)) / (std * std);
    if (!isAbove) {
      if (mistake) {
        pull += (1 - belief) * mistake.pull;
        weight += (1 - belief) * mistake.weight;
      }
      into.squares += belief * (off / sigma[i]!) ** 2;
      into.weight += belief;
    }
    const at = i * p;
    for (let row = 0; row < p; row++) {
      const slope = slopes[at + row]!;
      // Most common errors do nothing to most readings.
      if (slope === 0) continue;
      score[row]! += pull * slope;
      const weighed = weight * slope;
      for (let column = 0; column <= row; column++) told[row * p + column]! += weighed * slopes[at + column]!;
    }
  }
  for (let row = 0; row < p; row++)
    for (let column = row + 1; column < p; column++) told[row * p + column] = told[column * p + row]!;
  into.value = value + addPriors(prepared, kind, theta, into);
  return into;
}

/** ln of the priors at a point; their share of score and information is added. */
function addPriors(
  { parameters: p, priorMean, priorWeight }: Prepared,
  kind: FloorKind,
  theta: Float64Array,
  { score, information, told }: Evaluation,
): number {
  information.set(told);
  let value = 0;
  for (let i = 0; i < p; i++) {
    const isAbsent = (i === 2 && !hasDarkFloor(kind)) || (i === 3 && !hasBrightFloor(kind));
    // A floor that the kind lacks stays at its prior, so that kinds can be held against each other.
    const weight = isAbsent && priorWeight[i] === 0 ? 1 : priorWeight[i]!;
    const off = theta[i]! - priorMean[i]!;
    score[i]! -= weight * off;
    information[i * p + i]! += weight;
    value -= 0.5 * weight * off * off;
  }
  return value;
}
