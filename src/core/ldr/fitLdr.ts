import { at, type Ok, type Refused } from '../result';
import { ldrOhmsAt, type LdrCurve } from './curve';
import { fitPowerLaw, type FitRefusal } from './fit';
import { curveOf, floorKinds, hasBrightFloor, hasDarkFloor, type FloorKind } from './kinds';
import { maximise, workspaceFor, type Estimate } from './maximise';
import { CURVE_PARAMETERS, prepare, type CommonError, type Observation, type Prepared } from './observation';
import { FLOOR_CHANCE } from './priors';
import { floorStarts, likeliest, lineStart, pairStarts, type Start } from './starts';

/** A kind of curve that was tried, and how far it is believed. */
export interface Alternative {
  readonly kind: FloorKind;
  readonly curve: LdrCurve;
  /** Its share of belief among the kinds tried; they add up to 1. */
  readonly weight: number;
  /** Covariance of ln R10, γ, ln Rdark, ln Rbright and the common errors; row-major. */
  readonly covariance: Float64Array;
}

export interface LdrFit {
  /** The kind that is believed most. */
  readonly kind: FloorKind;
  /** The mean of all kinds by their belief. */
  readonly curve: LdrCurve;
  /** Readings that gave a figure, and readings that only said "above this". */
  readonly count: number;
  readonly aboveCount: number;
  /** Degrees of freedom of the scatter, for Student's t; above 0, not whole. */
  readonly degrees: number;
  /** Standard errors, the doubt between the kinds with them. */
  readonly gammaStdError: number;
  readonly lnR10StdError: number;
  /** Scatter of ln R about the curve, for a reading of usual weight; `null` where too few readings show one. */
  readonly residualStd: number | null;
  /** `ln(read / curve)` of each observation in the order given; `null` for one that only said "above this". */
  readonly residuals: readonly (number | null)[];
  /** Belief, 0–1, that each observation is no mistake. */
  readonly sound: readonly number[];
  readonly minLux: number;
  readonly maxLux: number;
  /** Every kind that is believed at all, most first. */
  readonly alternatives: readonly Alternative[];
  /** What the common errors came to, in their order. */
  readonly common: readonly { readonly value: number; readonly std: number }[];
}

/** Scatter of ln R that readings by hand usually have. */
export const ASSUMED_SCATTER = 0.03;
/** Kinds believed less than this are left out. */
const MIN_WEIGHT = 1e-4;
/** With this little scatter and this much belief in every reading no other explanation is looked for. */
const CLEAN = { scale: 2, sound: 0.7 } as const;
/** From so many figures on, the readings show a scatter of their own. */
const MIN_SCATTERED = 3;

export interface FitOptions {
  /** The kind of curve, where it is known; otherwise all are tried. */
  readonly kind?: FloorKind;
  /** What moves several readings together, each with its prior. */
  readonly common?: readonly CommonError[];
}

/**
 * Fits an LDR's curve to readings with their own weights, overrange ones as "above this". Every kind of curve is fitted with
 * what is known of LDRs beforehand ({@link LDR_PRIORS}), a small share of mistakes allowed for; figures and errors are the mean
 * over the kinds by their belief (Bayesian model averaging, each kind's evidence by Laplace's approximation). Unlike an
 * information criterion this has a value for two readings too, and a floor that the readings cannot exclude widens the band
 * beyond them.
 */
export function fitLdr(
  observations: readonly Observation[],
  { kind, common = [] }: FitOptions = {},
): Ok<{ fit: LdrFit }> | Refused<FitRefusal> {
  const figures = observations.filter((observation) => !observation.above);
  if (figures.length === 0 && observations.length > 0) return { ok: false, reason: 'all-above' };
  const linear = fitPowerLaw(figures);
  if (!linear.ok && (linear.reason !== 'not-falling' || figures.length < 3)) return linear;

  const prepared = prepare(observations, common, { hasPriors: true });
  const estimates = estimatesOf(prepared, kind ? [kind] : floorKinds);
  const parts = weighed(estimates, kind !== undefined);
  const best = parts[0];
  if (!best) return { ok: false, reason: 'not-falling' };
  const sound = observations.map((_, index) => mean(parts, ({ estimate }) => at(estimate.sound, index)));
  const believed = fitPowerLaw(observations.filter(({ above }, index) => !above && at(sound, index) > 0.5));
  if (!believed.ok) return { ok: false, reason: 'not-falling' };

  const curve = meanCurve(parts);
  const lights = figures.map(({ lux }) => lux);
  return {
    ok: true,
    fit: {
      kind: best.estimate.kind,
      curve,
      count: figures.length,
      aboveCount: observations.length - figures.length,
      degrees: mean(parts, ({ estimate }) => estimate.degrees),
      lnR10StdError: Math.sqrt(varianceOf(parts, 0, Math.log(curve.r10Ohms))),
      gammaStdError: Math.sqrt(varianceOf(parts, 1, curve.gamma)),
      residualStd:
        figures.length < MIN_SCATTERED
          ? null
          : mean(parts, ({ estimate }) => estimate.scale) * defaultSigma(figures),
      residuals: observations.map(({ lux, ohms, above }) =>
        above ? null : Math.log(ohms / ldrOhmsAt(curve, lux)),
      ),
      sound,
      minLux: Math.min(...lights),
      maxLux: Math.max(...lights),
      alternatives: parts.map(({ estimate, weight }) => ({
        kind: estimate.kind,
        curve: curveOf(estimate.kind, estimate.theta),
        weight,
        covariance: estimate.covariance,
      })),
      common: common.map((_, index) => {
        const value = mean(parts, ({ estimate }) => at(estimate.theta, CURVE_PARAMETERS + index));
        return { value, std: Math.sqrt(varianceOf(parts, CURVE_PARAMETERS + index, value)) };
      }),
    },
  };
}

/** So many of the starts are followed up, those that explain the readings best: fewer readings leave room for more tops. */
const followedUp = (count: number) =>
  count <= FEW ? { near: 10, far: 24 } : count <= MANY ? { near: 3, far: 4 } : { near: 1, far: 4 };
const FEW = 12;
const MANY = 40;
/** The scatter that a search near the best begins with: from a wide one it may not find a close fit. */
const TIGHT = 0.7;
/**
 * A curve in which every reading is believed, with less scatter than this, is the only one: no other floors fit closer. With more scatter
 * the better one, where there is one, has a floor well beyond the readings; without floors there is never another. One random set in
 * ten thousand gets a lower curve so than by a search from everywhere, of a kind that is little believed.
 */
const CLOSE = 0.8;
/** A kind this far below the best, in ln of the posterior, is not searched any further. */
const HOPELESS = 25;

/** Each kind's best estimate, from several starts: more of them where the first leave a doubt. */
export function estimatesOf(prepared: Prepared, kinds: readonly FloorKind[]): readonly Estimate[] {
  const tops: Record<FloorKind, Estimate[]> = { power: [], dark: [], bright: [], both: [] };
  const workspace = workspaceFor(prepared);
  const from = ({ theta, doubted }: Start, kind: FloorKind, scale: number) => {
    const known = tops[kind];
    const options = { kind, start: theta, doubted, scale, mayErr: true, isScaleTold: true, known };
    const found = maximise(prepared, options, workspace);
    if (found && !known.includes(found)) known.push(found);
    return found;
  };
  const line = lineStart(prepared);
  const first = from(line, 'both', CLEAN.scale);
  const pairs = memo(() => pairStarts(prepared));
  const whole = isClean(first) ? first : highest([first, ...pairs().map((start) => from(start, 'both', 1))]);
  const start: Start = whole ? { theta: whole.theta, doubted: doubtedBy(whole) } : line;
  const followed = followedUp(prepared.count);
  const near = kinds.map((kind) => {
    const found = kind === 'both' ? whole : from(start, kind, TIGHT);
    if (isClose(found) || kind === 'power') return { kind, found };
    const others = withFloors(kind, start, prepared, isClean(found) ? 'farther out' : 'all');
    const starts = likeliest(prepared, kind, others, followed.near);
    return { kind, found: highest([found, ...starts.map((one) => from(one, kind, TIGHT))]) };
  });
  const top = Math.max(...near.map(({ found }) => found?.top ?? -Infinity));
  return near.flatMap(({ kind, found }) => {
    const isSettled = isClean(found) || (found !== null && found.top < top - HOPELESS);
    const far = () =>
      [line, ...pairs().flatMap(asItIsAndTrusting)].flatMap((one) => withFloors(kind, one, prepared));
    const best = isSettled
      ? found
      : highest([found, ...likeliest(prepared, kind, far(), followed.far).map((one) => from(one, kind, 1))]);
    return best && best.theta[1]! > 0 ? [best] : [];
  });
}

const asItIsAndTrusting = (start: Start): readonly Start[] => [start, { ...start, doubted: new Set() }];

function memo<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

const isClean = (estimate: Estimate | null): boolean =>
  estimate !== null && estimate.scale < CLEAN.scale && estimate.sound.every((belief) => belief > CLEAN.sound);

const isClose = (estimate: Estimate | null): boolean =>
  estimate !== null && isClean(estimate) && estimate.scale < CLOSE;

const doubtedBy = ({ sound }: Estimate) => new Set([...sound.keys()].filter((index) => sound[index]! < 0.5));

const highest = (estimates: readonly (Estimate | null)[]): Estimate | null =>
  estimates.reduce((best, next) => (next && (!best || next.top > best.top) ? next : best), null);

/** A start as it is, and with the floors of the kind where they usually are and beyond the readings; or only with one farther out. */
function withFloors(
  kind: FloorKind,
  { theta, doubted }: Start,
  prepared: Prepared,
  which: 'all' | 'farther out' = 'all',
): readonly Start[] {
  const moved = floorStarts(kind, prepared, which).map(([lnDark, lnBright]) => {
    const start = theta.slice();
    [start[2], start[3]] = [lnDark, lnBright];
    return { theta: start, doubted };
  });
  return which === 'all' ? [{ theta, doubted }, ...moved] : moved;
}

interface Part {
  readonly estimate: Estimate;
  readonly weight: number;
}

/** Belief in each kind: its evidence, and how often LDRs show its floors. */
function weighed(estimates: readonly Estimate[], isGiven: boolean): readonly Part[] {
  const lnBelief = ({ kind, evidence }: Estimate) =>
    evidence + (isGiven ? 0 : lnChance(hasDarkFloor(kind)) + lnChance(hasBrightFloor(kind)));
  const max = Math.max(...estimates.map(lnBelief));
  const beliefs = estimates.map((estimate) => Math.exp(lnBelief(estimate) - max));
  const total = beliefs.reduce((sum, belief) => sum + belief, 0);
  const kept = estimates
    .map((estimate, index) => ({ estimate, weight: at(beliefs, index) / total }))
    .filter(({ weight }) => weight > MIN_WEIGHT)
    .sort((one, other) => other.weight - one.weight);
  const keptTotal = kept.reduce((sum, { weight }) => sum + weight, 0);
  return kept.map(({ estimate, weight }) => ({ estimate, weight: weight / keptTotal }));
}

const lnChance = (hasFloor: boolean) => Math.log(hasFloor ? FLOOR_CHANCE : 1 - FLOOR_CHANCE);

const mean = (parts: readonly Part[], of: (part: Part) => number): number =>
  parts.reduce((total, part) => total + part.weight * of(part), 0);

/** The curve in the middle of all kinds: ln R10, γ, dark conductance and bright floor by their belief. */
function meanCurve(parts: readonly Part[]): LdrCurve {
  const parameter = (index: number) => mean(parts, ({ estimate }) => at(estimate.theta, index));
  const siemens = mean(parts, ({ estimate: { kind, theta } }) =>
    hasDarkFloor(kind) ? Math.exp(-at(theta, 2)) : 0,
  );
  return {
    r10Ohms: Math.exp(parameter(0)),
    gamma: parameter(1),
    darkOhms: siemens > 0 ? 1 / siemens : null,
    brightOhms: mean(parts, ({ estimate: { kind, theta } }) =>
      hasBrightFloor(kind) ? Math.exp(at(theta, 3)) : 0,
    ),
  };
}

/** Variance of a parameter about a figure, within the kinds and between them. */
function varianceOf(parts: readonly Part[], index: number, about: number): number {
  return mean(parts, ({ estimate: { covariance, theta } }) => {
    const own = at(covariance, index * theta.length + index);
    return own + (at(theta, index) - about) ** 2;
  });
}

/** The σ of a reading of usual weight: the root of the mean square. */
function defaultSigma(figures: readonly Observation[]): number {
  return Math.sqrt(figures.reduce((total, { sigma }) => total + sigma * sigma, 0) / figures.length);
}
