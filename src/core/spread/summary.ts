import { detectorDefinition } from '../detectors/registry';
import type { Project } from '../project/project';
import type { Factor, SpreadOptions } from './factors';
import type { Builds } from './spread';

/** Where one switching light of a lot lies, in lx. */
export interface LightSpread {
  readonly low: number;
  readonly middle: number;
  readonly high: number;
  /** Deviation of ln lx. */
  readonly lnStd: number;
  /** So many of the builds never switch. */
  readonly never: number;
  /** Counts between even steps of ln lx, from `low` of the bins to `high`. */
  readonly bins: { readonly fromLux: number; readonly toLux: number; readonly counts: readonly number[] };
}

/** How much of the spread one thing makes. */
export interface Contribution {
  readonly factor: Factor;
  /** First-order Sobol share of the variance of ln lx, 0–1. */
  readonly share: number;
  /** Its total share, with what it makes together with others; `null` where they make next to nothing together. */
  readonly total: number | null;
}

export interface SpreadSummary {
  readonly count: number;
  readonly on: LightSpread;
  /** `null` where it turns off at the light at which it turns on. */
  readonly off: LightSpread | null;
  /** That of the two which the goal is about. */
  readonly atGoal: LightSpread;
  /** Share of the builds that turn on, and off where that is wanted, near enough to the goal; with the 95 % range of chance. */
  readonly yields: Share;
  /** Share whose load is fully on. */
  readonly driven: Share;
  /** Both together. */
  readonly good: Share;
  /** The largest first. */
  readonly contributions: readonly Contribution[];
  /** What parts make only together, as a share of the variance. */
  readonly together: number;
}

export interface Share {
  readonly share: number;
  readonly low: number;
  readonly high: number;
}

const BINS = 40;
const SOBOL_BINS = 24;
/** Ends of the range that 95 of 100 lie in. */
const ENDS = { low: 0.025, high: 0.975 } as const;
const Z = 1.96;

/** A share with the range that chance leaves it (Wilson): it never leaves 0 and 1, however few there are. */
export function shareOf(hits: number, count: number): Share {
  if (count === 0) return { share: 0, low: 0, high: 1 };
  const share = hits / count;
  const z = (Z * Z) / count;
  const middle = (share + z / 2) / (1 + z);
  const half = (Z * Math.sqrt((share * (1 - share)) / count + z / (4 * count))) / (1 + z);
  return { share, low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

/** What parts make together is worth a word from this share on. */
export const TOGETHER_SHARE = 0.05;

/** What a lot of builds comes to. @param totals total shares, by factor, where they are known */
export function summaryOf(
  { onLux, offLux, driven, settable, draws }: Builds,
  factors: readonly Factor[],
  { goal, detector }: Pick<Project, 'goal' | 'detector'>,
  { limitRatio }: Pick<SpreadOptions, 'limitRatio'>,
  totals: readonly number[] | null = null,
): SpreadSummary {
  const count = onLux.length;
  const limit = Math.log(limitRatio);
  // A goal may be about turning off: the other light is then as it comes.
  const isOfOff = detectorDefinition(detector).goalEnd(detector) === 'off';
  const goalLux = isOfOff ? offLux : onLux;
  const isNear = (light: number, wanted: number) => Math.abs(Math.log(light / wanted)) <= limit;
  let [met, full, both] = [0, 0, 0];
  for (let index = 0; index < count; index++) {
    // A trimmer that reaches the goal is turned to it, and its band comes with it.
    const turnsOn = onLux[index] ?? NaN;
    const isSet = settable[index] === 1;
    const isThere = isSet || isNear(goalLux[index] ?? NaN, goal.lux);
    const off = isSet ? ((offLux[index] ?? NaN) / turnsOn) * goal.lux : (offLux[index] ?? NaN);
    const isMet = isThere && (isOfOff || goal.offLux === null || isNear(off, goal.offLux));
    met += Number(isMet);
    full += driven[index] ?? 0;
    both += Number(isMet && driven[index] === 1);
  }
  const hasOff = offLux.some((light, index) => light !== onLux[index] && !Number.isNaN(light));
  const contributions = factors
    .map((factor, of) => ({
      factor,
      share: firstOrder(goalLux, (index) => draws[index * factors.length + of] ?? 0),
      total: totals?.[of] ?? null,
    }))
    .sort((one, other) => other.share - one.share);
  const total = contributions.reduce((sum, { share }) => sum + share, 0);
  const [on, off] = [lightSpread(onLux), hasOff ? lightSpread(offLux) : null];
  return {
    count,
    on,
    off,
    atGoal: isOfOff ? (off ?? on) : on,
    yields: shareOf(met, count),
    driven: shareOf(full, count),
    good: shareOf(both, count),
    contributions,
    together: Math.max(0, 1 - total),
  };
}

function lightSpread(lux: Float64Array): LightSpread {
  const sorted = lux.filter((light) => !Number.isNaN(light)).sort();
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
  const logs = Array.from(sorted, Math.log);
  const mean = logs.reduce((sum, value) => sum + value, 0) / Math.max(1, logs.length);
  const squares = logs.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  const [from, to] = [logs[0] ?? 0, logs.at(-1) ?? 1];
  const counts = Array.from({ length: BINS }, () => 0);
  for (const value of logs)
    counts[Math.min(BINS - 1, Math.floor((BINS * (value - from)) / Math.max(1e-12, to - from)))]! += 1;
  return {
    low: at(ENDS.low),
    middle: at(0.5),
    high: at(ENDS.high),
    lnStd: Math.sqrt(squares / Math.max(1, logs.length - 1)),
    never: lux.length - sorted.length,
    bins: { fromLux: Math.exp(from), toLux: Math.exp(to), counts },
  };
}

/**
 * First-order Sobol share: the variance of the means in slices of one draw over the whole variance, less what chance alone makes
 * of so many slices (correlation ratio; Pearson 1905).
 */
function firstOrder(lux: Float64Array, drawOf: (index: number) => number): number {
  const order = Array.from(lux.keys()).filter((index) => !Number.isNaN(lux[index]));
  order.sort((one, other) => drawOf(one) - drawOf(other));
  const count = order.length;
  if (count < 4 * SOBOL_BINS) return 0;
  const value = (index: number) => Math.log(lux[index] ?? 1);
  const mean = order.reduce((sum, index) => sum + value(index), 0) / count;
  const whole = order.reduce((sum, index) => sum + (value(index) - mean) ** 2, 0);
  if (whole <= 0) return 0;
  let between = 0;
  for (let bin = 0; bin < SOBOL_BINS; bin++) {
    const from = Math.floor((bin * count) / SOBOL_BINS);
    const to = Math.floor(((bin + 1) * count) / SOBOL_BINS);
    let sum = 0;
    for (let place = from; place < to; place++) sum += value(order[place] ?? 0);
    const own = sum / (to - from);
    between += (to - from) * (own - mean) ** 2;
  }
  const share = between / whole;
  const chance = (SOBOL_BINS - 1) / (count - 1);
  return Math.max(0, (share - chance) / (1 - chance));
}
