import type { LdrCurve } from '../ldr/curve';
import { ldrOhmsAt } from '../ldr/curve';
import { gradientFor } from '../ldr/fitBand';
import { ASSUMED_SCATTER } from '../ldr/fitLdr';
import { bandFactor, lnOhmsVariance, localSlope, type LdrModel } from '../ldr/model';
import { LDR_PRIORS } from '../ldr/priors';
import { TYPICAL_GAMMA_SPREAD, TYPICAL_R10_FACTOR } from '../ldr/typical';
import { quadraticForm } from '../numeric/quadraticForm';
import { studentT975 } from '../numeric/studentT';
import { lightsAtHand, type LightAtHand } from './lightsAtHand';
import { measuredLdr } from './ldrOf';
import type { Measurement, ReadingLight } from './reading';

/** Which reading would help most and how much, or that no more are needed. */
export type NextReading =
  | {
      readonly says: 'read';
      readonly light: ReadingLight;
      /** That light on the readings' scale. */
      readonly lux: number;
      /**
       * 95 % range of the switching light as the same light meter tells it, as a ratio about it: now, with that reading, and with
       * so many chosen in the same way. All above 1.
       */
      readonly nowRatio: number;
      readonly thenRatio: number;
      readonly several: { readonly count: number; readonly ratio: number };
    }
  /** The switching light is known better than a hand can set it, or no reading would narrow it by much. */
  | { readonly says: 'enough'; readonly nowRatio: number; readonly isKnown: boolean };

/** A gain of less than this share of the doubt is not worth a reading. */
const MIN_GAIN = 0.07;
/** A switching light known to within this ratio is known well enough: less than a hand can set. */
const KNOWN_RATIO = 1.05;
/** Known to no better than this is not known at all. */
const LN_MAX_RATIO = Math.log(1e9);
/** So many readings are looked ahead. */
const AHEAD = 3;

/** One kind of curve as it is believed. */
interface Belief {
  readonly weight: number;
  readonly curve: LdrCurve;
  readonly covariance: Float64Array;
}

/**
 * The light, of those this user can make, whose reading would narrow the switching light most (Bayesian design of experiments):
 * for each candidate the variance of ln R at the goal that is to be expected after it, within the kinds of curve (one more row
 * of information) and between them (a reading where they differ tells them apart), over the curve's slope.
 *
 * @param goalLux where the LDR must be known, on the readings' scale
 * @returns `null` where the project has no light figures or no light can be made
 */
export function nextReading(measurement: Measurement, goalLux: number): NextReading | null {
  const measured = measuredLdr(measurement);
  const { model } = measured;
  const start = startOf(model);
  const candidates = lightsAtHand(measurement, measured, goalLux);
  if (!start || candidates.length === 0) return null;
  const slope = localSlope(model.curve, goalLux);
  const ratioOf = (factor: number, variance: number) =>
    Math.exp(Math.min(LN_MAX_RATIO, (factor * Math.sqrt(Math.max(0, variance))) / slope));
  const nowRatio = ratioOf(bandFactor(model), lnOhmsVariance(model, goalLux));
  const first = bestOf(start.beliefs, candidates, goalLux, start.scatter);
  const factor = (count: number) =>
    start.degrees === null ? bandFactor(model) : studentT975(start.degrees + count);
  const thenRatio = first ? ratioOf(factor(1), first.variance) : nowRatio;
  const isKnown = nowRatio < KNOWN_RATIO;
  if (!first || isKnown || Math.log(thenRatio) > (1 - MIN_GAIN) * Math.log(nowRatio))
    return { says: 'enough', nowRatio, isKnown };
  let beliefs = start.beliefs;
  let [count, variance] = [0, first.variance];
  let next: Best | null = first;
  while (next && count < AHEAD) {
    variance = Math.min(variance, next.variance);
    beliefs = taken(beliefs, next.at.lux, start.scatter);
    count += 1;
    next = bestOf(beliefs, candidates, goalLux, start.scatter);
  }
  const several = { count, ratio: Math.min(thenRatio, ratioOf(factor(count), variance)) };
  return { says: 'read', light: first.at.light, lux: first.at.lux, nowRatio, thenRatio, several };
}

interface StartOfDesign {
  readonly beliefs: readonly Belief[];
  /** Standard deviation of ln R of a reading to come. */
  readonly scatter: number;
  /** Degrees of freedom now; `null` where the spread is no fit's. */
  readonly degrees: number | null;
}

function startOf(model: LdrModel): StartOfDesign | null {
  if (model.source === 'named') return null;
  if (model.source === 'measured') {
    const { alternatives, residualStd, degrees } = model.fit;
    return { beliefs: alternatives, scatter: residualStd ?? ASSUMED_SCATTER, degrees };
  }
  const [r10Std, gammaStd] =
    model.source === 'bag'
      ? [model.bag.lnR10Std, model.bag.gammaStd]
      : [Math.log(TYPICAL_R10_FACTOR) / 2, TYPICAL_GAMMA_SPREAD / 2];
  const stds = [r10Std, gammaStd, LDR_PRIORS.lnDark.std, LDR_PRIORS.lnBright.std];
  const covariance = new Float64Array(stds.length ** 2);
  stds.forEach((std, index) => (covariance[index * stds.length + index] = std * std));
  return {
    beliefs: [{ weight: 1, curve: model.curve, covariance }],
    scatter: ASSUMED_SCATTER,
    degrees: null,
  };
}

/** A light to read at next, and the variance of ln R at the goal's light that is then expected. */
interface Best {
  readonly at: LightAtHand;
  readonly variance: number;
}

/** The candidate after which the least variance of ln R at the goal is to be expected. */
function bestOf(
  beliefs: readonly Belief[],
  candidates: readonly LightAtHand[],
  goalLux: number,
  scatter: number,
): Best | null {
  let best: Best | null = null;
  for (const at of candidates) {
    const variance = expectedVariance(beliefs, goalLux, at.lux, scatter);
    if (!best || variance < best.variance) best = { at, variance };
  }
  return best;
}

/** Nodes and weights of Gauss and Hermite for a standard normal, five points. */
const NODES = [-2.85697, -1.355626, 0, 1.355626, 2.85697] as const;
const NODE_WEIGHTS = [0.0112574, 0.2220759, 0.5333333, 0.2220759, 0.0112574] as const;

/** Variance of ln R at the goal to expect after a reading, over all that it may show. */
export function expectedVariance(
  beliefs: readonly Belief[],
  goalLux: number,
  lux: number,
  scatter: number,
): number {
  const parts = beliefs.map(({ weight, curve, covariance }) => {
    const goal = gradientFor(curve, goalLux, covariance);
    const there = gradientFor(curve, lux, covariance);
    const variance = quadraticForm(there, covariance) + scatter * scatter;
    const together = quadraticForm(goal, covariance, there);
    return {
      weight,
      goal: Math.log(ldrOhmsAt(curve, goalLux)),
      shown: Math.log(ldrOhmsAt(curve, lux)),
      variance,
      gain: together / variance,
      left: quadraticForm(goal, covariance) - together ** 2 / variance,
    };
  });
  const within = parts.reduce((total, { weight, left }) => total + weight * Math.max(0, left), 0);
  if (parts.length === 1) return within;
  let between = 0;
  for (const { weight, shown, variance } of parts)
    for (const [node, z] of NODES.entries()) {
      const read = shown + z * Math.sqrt(variance);
      const beliefs = parts.map((part) => part.weight * density(read, part.shown, part.variance));
      const total = beliefs.reduce((sum, belief) => sum + belief, 0);
      // What is believed in by nothing that can be told from nothing adds nothing.
      if (!(total > 0)) continue;
      const goals = parts.map((part) => part.goal + part.gain * (read - part.shown));
      const mean = goals.reduce((sum, goal, index) => sum + (goal * beliefs[index]!) / total, 0);
      const spread = goals.reduce(
        (sum, goal, index) => sum + ((goal - mean) ** 2 * beliefs[index]!) / total,
        0,
      );
      between += weight * NODE_WEIGHTS[node]! * spread;
    }
  return within + between;
}

const density = (value: number, mean: number, variance: number) =>
  Math.exp(-((value - mean) ** 2) / (2 * variance)) / Math.sqrt(variance);

/** What is believed once a reading was taken, whatever it showed: one more row of information in each kind. */
function taken(beliefs: readonly Belief[], lux: number, scatter: number): readonly Belief[] {
  return beliefs.map(({ weight, curve, covariance }) => {
    const gradient = gradientFor(curve, lux, covariance);
    const p = gradient.length;
    const pulled = gradient.map((_, row) =>
      gradient.reduce((total, entry, column) => total + covariance[row * p + column]! * entry, 0),
    );
    const variance = quadraticForm(gradient, covariance) + scatter * scatter;
    return {
      weight,
      curve,
      covariance: covariance.map(
        (entry, index) => entry - (pulled[Math.floor(index / p)]! * pulled[index % p]!) / variance,
      ),
    };
  });
}
