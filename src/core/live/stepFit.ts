import { solveLinear } from '../numeric/linear';
import { type Ok, type Refused } from '../result';
import { indexAt } from './decimate';

/** How an LDR answered a step of light in a log. */
export interface StepAnswer {
  /** `light`: it grew brighter and the resistance fell. */
  readonly toward: 'light' | 'dark';
  /** Time constant of the conductance, in s; where the samples are too slow for it, the most that it can be. */
  readonly seconds: number;
  readonly isResolved: boolean;
  /** Share of the conductance's way that the slow tail goes, 0–1, and its time constant in s. */
  readonly tailShare: number;
  readonly tailSeconds: number;
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly fromOhms: number;
  readonly toOhms: number;
}

export type StepRefusal = 'no-step' | 'too-few';

interface Points {
  readonly at: Float64Array;
  readonly ohms: Float64Array;
  readonly above: Uint8Array;
}

/** A step moves ln R by at least this. */
const MIN_STEP = 0.3;
const MIN_POINTS = 8;
/** The answer is followed for so long at most, in ms. */
const FOLLOWED = 60_000;
/** A light that goes back ends it: ln R this far back from where it came to. */
const BACK = 0.3;
/** More samples than this are thinned. */
const MAX_FITTED = 600;

/**
 * The largest step of light in a stretch of a log, and the LDR's time constants from its answer: conductance as
 * `G = Gend + A·exp(−t/τ) + B·exp(−t/τtail)`, linear least squares for every likely pair of time constants.
 *
 * @param from, to the stretch, in ms since 1970
 * @returns `no-step` where nothing moves by a third, `too-few` with under 8 figures after it
 */
export function stepAnswer(
  points: Points,
  from: number,
  to: number,
): Ok<{ answer: StepAnswer }> | Refused<StepRefusal> {
  const { at, ohms, above } = points;
  const [first, last] = [indexAt(at, from), indexAt(at, to)];
  let [step, size] = [-1, 0];
  for (let i = first + 1; i < last; i++) {
    if (above[i] === 1 || above[i - 1] === 1) continue;
    const moved = Math.abs(Math.log(ohms[i]! / ohms[i - 1]!));
    if (moved > size) [step, size] = [i, moved];
  }
  // The largest jump between neighbours may be a part of the step only: it begins where it left rest.
  while (step > first + 1 && Math.abs(Math.log(ohms[step - 1]! / ohms[step - 2]!)) > size / 4) step -= 1;
  if (step < 0) return { ok: false, reason: 'no-step' };
  const start = step - 1;
  const toward = ohms[step]! < ohms[start]! ? 'light' : 'dark';
  const indices: number[] = [];
  let farthest = Math.log(ohms[step]!);
  for (let i = step; i < last && at[i]! - at[start]! <= FOLLOWED; i++) {
    if (above[i] === 1) break;
    const ln = Math.log(ohms[i]!);
    farthest = toward === 'light' ? Math.min(farthest, ln) : Math.max(farthest, ln);
    if (Math.abs(ln - farthest) > BACK) break;
    indices.push(i);
  }
  const total = Math.abs(farthest - Math.log(ohms[start]!));
  if (total < MIN_STEP) return { ok: false, reason: 'no-step' };
  if (indices.length < MIN_POINTS) return { ok: false, reason: 'too-few' };
  const stride = Math.max(1, Math.floor(indices.length / MAX_FITTED));
  const kept = indices.filter((_, i) => i < 100 || i % stride === 0);
  const gap = (at[step]! - at[start]!) / 1000;
  // The light changed somewhere between the two samples.
  const t0 = at[start]! + (gap * 1000) / 2;
  const times = kept.map((i) => (at[i]! - t0) / 1000);
  const values = kept.map((i) => ohms[start]! / ohms[i]!);
  const fit = bestPair(times, values, gap);
  if (!fit) return { ok: false, reason: 'too-few' };
  const isResolved = fit.fast > gap;
  const whole = Math.abs(fit.end - 1);
  return {
    ok: true,
    answer: {
      toward,
      seconds: isResolved ? fit.fast : gap,
      isResolved,
      tailShare: Math.min(1, Math.abs(fit.slowPart) / Math.max(whole, 1e-9)),
      tailSeconds: fit.slow,
      at: at[start]!,
      fromOhms: ohms[start]!,
      toOhms: ohms[start]! / fit.end,
    },
  };
}

interface PairFit {
  readonly fast: number;
  readonly slow: number;
  readonly end: number;
  readonly slowPart: number;
  readonly squares: number;
}

/** The pair of time constants that fits best, by a grid that is made finer about the best. */
function bestPair(times: readonly number[], values: readonly number[], gap: number): PairFit | null {
  const longest = times[times.length - 1] ?? 1;
  let [fastFrom, fastTo] = [gap / 4, Math.max(gap * 2, longest / 3)];
  let [slowFrom, slowTo] = [gap, Math.max(gap * 4, longest)];
  let best: PairFit | null = null;
  for (let round = 0; round < 4; round++) {
    for (const fast of logSteps(fastFrom, fastTo, 14))
      for (const slow of logSteps(slowFrom, slowTo, 12)) {
        if (slow < 2.5 * fast) continue;
        const fit = linearFit(times, values, fast, slow);
        if (fit && (!best || fit.squares < best.squares)) best = fit;
      }
    if (!best) return null;
    const [fastRoom, slowRoom] = [(fastTo / fastFrom) ** 0.15, (slowTo / slowFrom) ** 0.18];
    [fastFrom, fastTo] = [best.fast / fastRoom, best.fast * fastRoom];
    [slowFrom, slowTo] = [best.slow / slowRoom, best.slow * slowRoom];
  }
  return best;
}

function* logSteps(from: number, to: number, count: number) {
  for (let i = 0; i < count; i++) yield from * (to / from) ** (i / (count - 1));
}

/** Least squares, relative to the values, of an end and two exponentials. */
function linearFit(
  times: readonly number[],
  values: readonly number[],
  fast: number,
  slow: number,
): PairFit | null {
  const matrix = new Float64Array(9);
  const right = new Float64Array(3);
  const rowOf = (t: number) => [1, Math.exp(-t / fast), Math.exp(-t / slow)];
  for (const [i, value] of values.entries()) {
    const row = rowOf(times[i]!);
    const weight = 1 / (value * value);
    for (let a = 0; a < 3; a++) {
      right[a]! += weight * row[a]! * value;
      for (let b = 0; b < 3; b++) matrix[a * 3 + b]! += weight * row[a]! * row[b]!;
    }
  }
  if (!solveLinear(matrix, right, 3)) return null;
  const [end, fastPart, slowPart] = [right[0]!, right[1]!, right[2]!];
  if (!(end > 0)) return null;
  let squares = 0;
  for (const [i, value] of values.entries()) {
    const row = rowOf(times[i]!);
    squares += ((value - end - fastPart * row[1]! - slowPart * row[2]!) / value) ** 2;
  }
  return { fast, slow, end, slowPart, squares };
}
