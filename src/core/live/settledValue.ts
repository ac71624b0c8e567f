import type { MeterSample } from './sample';

/** Where a figure that is still settling will come to rest. */
export interface SettledValue {
  readonly ohms: number;
  /** How far that may be off: standard deviation of ln R. */
  readonly std: number;
}

/** So far back, in ms, the samples show how it settles. */
const WINDOW = 6000;
const MIN_SAMPLES = 5;
/** Time constants that the slow tail of an LDR may have, in s. */
const TAILS = [0.15, 0.3, 0.6, 1, 1.5, 2, 3, 4.5, 7, 10] as const;
/** At least this much of the way that is still to go may be missed. */
const DOUBTED_SHARE = 0.3;

/**
 * The settled value of an LDR that is still on its way, by the exponential through the last seconds: `ln R = a + b·exp(−t/τ)`,
 * least squares for every likely τ.
 *
 * @param samples in order of time, with figures
 * @returns `null` with too few samples, over range, or where the figure does not come to rest
 */
export function settledValue(samples: readonly MeterSample[]): SettledValue | null {
  const last = samples[samples.length - 1];
  if (!last || last.above) return null;
  const recent = samples.filter(({ at, above, ohms }) => !above && ohms > 0 && at > last.at - WINDOW);
  if (recent.length < MIN_SAMPLES) return null;
  const times = recent.map(({ at }) => (at - last.at) / 1000);
  const logs = recent.map(({ ohms }) => Math.log(ohms));
  let best: { end: number; squares: number } | null = null;
  for (const tail of TAILS) {
    const fitted = throughTail(times, logs, tail);
    if (fitted && (!best || fitted.squares < best.squares)) best = fitted;
  }
  if (!best) return null;
  const scatter = Math.sqrt(best.squares / Math.max(1, recent.length - 3));
  const left = Math.abs(best.end - Math.log(last.ohms));
  // A figure that still runs farther than it has come says nothing of where it stops.
  if (left > Math.max(0.2, 2 * (Math.max(...logs) - Math.min(...logs)))) return null;
  return { ohms: Math.exp(best.end), std: Math.hypot(scatter, DOUBTED_SHARE * left) };
}

/** Least squares of `a + b·u` with `u = exp(−t/τ)`. @returns a, and the sum of squares left */
function throughTail(times: readonly number[], logs: readonly number[], tail: number) {
  const n = times.length;
  let [su, sy, suu, suy] = [0, 0, 0, 0];
  for (let i = 0; i < n; i++) {
    const u = Math.exp(-times[i]! / tail);
    su += u;
    sy += logs[i]!;
    suu += u * u;
    suy += u * logs[i]!;
  }
  const spread = suu - (su * su) / n;
  if (!(spread > 1e-12)) return null;
  const slope = (suy - (su * sy) / n) / spread;
  const end = (sy - slope * su) / n;
  let squares = 0;
  for (let i = 0; i < n; i++) squares += (logs[i]! - end - slope * Math.exp(-times[i]! / tail)) ** 2;
  return { end, squares };
}
