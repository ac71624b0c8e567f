import { invertPositive, solveLinear } from '../numeric/linear';
import { evaluation, place, weigh, type Evaluation } from './likelihood';
import type { FloorKind } from './kinds';
import type { Prepared } from './observation';
import { SCATTER_DEGREES } from './priors';

/** The most believable curve of one kind, and how far it may be off. */
export interface Estimate {
  readonly kind: FloorKind;
  /** ln R10, γ, ln Rdark, ln Rbright, then the common errors. */
  readonly theta: Float64Array;
  /** Inverse of the information, row-major parameters × parameters. */
  readonly covariance: Float64Array;
  /** What every σ is multiplied by for the readings' own scatter. */
  readonly scale: number;
  /** Degrees of freedom that the scale rests on. */
  readonly degrees: number;
  /** Belief that each reading is no mistake. Shape: observations. */
  readonly sound: Float64Array;
  /** ln of the posterior at its top. */
  readonly top: number;
  /** ln of the whole belief in this kind, by Laplace's approximation, up to a constant for all kinds. */
  readonly evidence: number;
}

export interface MaximiseOptions {
  readonly kind: FloorKind;
  readonly start: Float64Array;
  /** The scale to begin with; the one that stays where it is not told by the readings. */
  readonly scale: number;
  readonly mayErr: boolean;
  readonly isScaleTold: boolean;
  /** Readings taken for mistakes in the first rounds. */
  readonly doubted?: ReadonlySet<number>;
  /** Tops of the same kind that are known: a search that comes to one of them ends there. */
  readonly known?: readonly Estimate[];
}

const MAX_ROUNDS = 60;
/** In the first rounds the beliefs in the single readings stay, so that the curve finds its place among them. */
const HELD_ROUNDS = 2;
/** The search ends where ln of the posterior and the scale no longer move by this. */
const SETTLED = 1e-7;
const SCALE_SETTLED = 1e-5;
/** No step of a parameter is longer than this. */
const MAX_STEP = 2;
/**
 * A search is on its way to a top that is known where it is as near to it as this: in standard errors of each parameter, and in beliefs;
 * so near the posterior has no other.
 */
const SAME_TOP = { errors: 0.1, belief: 0.02, scale: 0.05 } as const;

/** What a search works in; several of one set of readings may, one after another. */
export interface Workspace {
  readonly here: Evaluation;
  readonly there: Evaluation;
  /** Shape: parameters × parameters. */
  readonly matrix: Float64Array;
  /** Shape: parameters. */
  readonly move: Float64Array;
}

export const workspaceFor = (prepared: Prepared): Workspace => ({
  here: evaluation(prepared),
  there: evaluation(prepared),
  matrix: new Float64Array(prepared.parameters ** 2),
  move: new Float64Array(prepared.parameters),
});

/**
 * Maximum of the posterior for one kind of curve: Gauss–Newton on ln R with Levenberg–Marquardt damping, the belief in each
 * reading and the scale of the scatter brought up to date in every round (expectation and maximisation).
 * @returns `null` where the readings do not tell the parameters apart
 */
export function maximise(
  prepared: Prepared,
  options: MaximiseOptions,
  { here, there, matrix, move }: Workspace = workspaceFor(prepared),
): Estimate | null {
  const { kind, mayErr, isScaleTold, doubted } = options;
  const { parameters: p } = prepared;
  let [theta, tried] = [options.start.slice(), options.start.slice()];
  let { scale } = options;
  let [now, next] = [here, there];
  now.sound.fill(1);
  for (const index of doubted ?? []) now.sound[index] = 0;
  place(prepared, theta, kind, now);
  let [degrees, last, damping] = [1, -Infinity, 1e-6];
  for (let round = 0; round < MAX_ROUNDS; round++) {
    const settings = { kind, scale, mayErr, keepsBeliefs: mayErr && round < HELD_ROUNDS };
    weigh(prepared, theta, settings, now);
    const before = now.value;
    for (let attempt = 0; attempt < 10; attempt++) {
      matrix.set(now.information);
      move.set(now.score);
      for (let i = 0; i < p; i++) matrix[i * p + i]! *= 1 + damping;
      if (solveLinear(matrix, move, p)) {
        for (let i = 0; i < p; i++) tried[i] = theta[i]! + Math.max(-MAX_STEP, Math.min(MAX_STEP, move[i]!));
        next.sound.set(now.sound);
        place(prepared, tried, kind, next);
        weigh(prepared, tried, settings, next);
        if (next.value >= now.value - 1e-12 || settings.keepsBeliefs) {
          [theta, tried] = [tried, theta];
          [now, next] = [next, now];
          damping = Math.max(1e-9, damping / 10);
          break;
        }
      }
      damping = Math.max(damping * 10, 1e-6);
    }
    if (isScaleTold) {
      degrees = SCATTER_DEGREES + Math.max(0, now.weight - toldParameters(now, matrix, p));
      const told = Math.sqrt((SCATTER_DEGREES + now.squares) / degrees);
      const isLevel = Math.abs(told / scale - 1) < SCALE_SETTLED;
      scale = told;
      const top = options.known?.find((known) => isNear(known, theta, scale, now));
      if (top) return top;
      if (!isLevel) {
        last = now.value;
        continue;
      }
    }
    if (Math.abs(now.value - last) < SETTLED && Math.abs(now.value - before) < SETTLED && round > HELD_ROUNDS)
      break;
    last = now.value;
  }
  weigh(prepared, theta, { kind, scale, mayErr }, now);
  const inverted = inverse(now.information, p);
  if (!inverted) return null;
  const top = now.value + (isScaleTold ? lnScalePrior(scale) : 0);
  return {
    kind,
    theta,
    covariance: inverted.matrix,
    scale,
    degrees,
    sound: now.sound.slice(),
    top,
    evidence: top - 0.5 * inverted.lnDeterminant,
  };
}

/** Whether a search stands beside a top. */
function isNear(top: Estimate, theta: Float64Array, scale: number, { sound }: Evaluation): boolean {
  if (Math.abs(scale / top.scale - 1) > SAME_TOP.scale) return false;
  const p = theta.length;
  for (let i = 0; i < p; i++) {
    const off = theta[i]! - top.theta[i]!;
    if (off * off > SAME_TOP.errors ** 2 * top.covariance[i * p + i]!) return false;
  }
  for (let i = 0; i < sound.length; i++)
    if (Math.abs(sound[i]! - top.sound[i]!) > SAME_TOP.belief) return false;
  return true;
}

/** ln density of the scatter's scale before any reading: scaled inverse χ² about 1. */
function lnScalePrior(scale: number): number {
  return -(SCATTER_DEGREES + 1) * Math.log(scale) - SCATTER_DEGREES / (2 * scale * scale);
}

/** How many parameters the readings tell, and not the priors: the trace of told·information⁻¹. @param inverted is overwritten */
function toldParameters({ told, information }: Evaluation, inverted: Float64Array, p: number): number {
  inverted.set(information);
  if (invertPositive(inverted, p) === null) return 0;
  let trace = 0;
  for (let i = 0; i < p * p; i++) trace += told[i]! * inverted[i]!;
  return trace;
}

/** Inverse of a symmetric positive matrix and ln of its determinant; `null` where it has none. */
function inverse(matrix: Float64Array, p: number): { matrix: Float64Array; lnDeterminant: number } | null {
  const result = matrix.slice();
  const lnDeterminant = invertPositive(result, p);
  return lnDeterminant !== null && result.every(Number.isFinite) ? { matrix: result, lnDeterminant } : null;
}
