import type { Ok, Refused } from '../result';

export interface RootOptions {
  /** Width of x at which the search ends, above 0. */
  readonly tolerance: number;
  readonly maxSteps?: number;
}

/**
 * A zero of a continuous function between two ends of opposite sign, by Brent's method (inverse quadratic
 * interpolation, secant and bisection; Brent 1973, "zeroin"): never slower than bisection by more than a constant.
 *
 * @param f may be called 2 to `mostSteps` times; must be finite
 * @returns x within `tolerance` of a sign change; `no-crossing` where both ends have the same sign
 */
export function findRoot(
  f: (x: number) => number,
  from: number,
  to: number,
  { tolerance, maxSteps = 100 }: RootOptions,
): Ok<{ x: number }> | Refused<'no-crossing'> {
  let [a, b] = [from, to];
  let [fa, fb] = [f(a), f(b)];
  if (fa === 0) return { ok: true, x: a };
  if (fb === 0) return { ok: true, x: b };
  if (!(fa * fb < 0)) return { ok: false, reason: 'no-crossing' };

  let [c, fc] = [a, fa];
  let step = b - a;
  let stepBefore = step;
  for (let count = 0; count < maxSteps; count++) {
    if (Math.abs(fc) < Math.abs(fb)) {
      [a, b, c] = [b, c, b];
      [fa, fb, fc] = [fb, fc, fb];
    }
    const half = (c - b) / 2;
    if (Math.abs(half) <= tolerance / 2 || fb === 0) return { ok: true, x: b };
    const proposed = Math.abs(stepBefore) >= tolerance && Math.abs(fa) > Math.abs(fb);
    const guess = proposed ? interpolate(a, b, c, fa, fb, fc, half) : null;
    if (guess !== null && Math.abs(guess) < Math.min(1.5 * Math.abs(half), Math.abs(stepBefore) / 2)) {
      stepBefore = step;
      step = guess;
    } else {
      stepBefore = step = half;
    }
    [a, fa] = [b, fb];
    b += Math.abs(step) > tolerance / 2 ? step : (Math.sign(half) * tolerance) / 2;
    fb = f(b);
    if (fb > 0 === fc > 0) {
      [c, fc] = [a, fa];
      stepBefore = step = b - a;
    }
  }
  return { ok: true, x: b };
}

/** The step from `b` that interpolation proposes, or `null` where it points away from the bracket. */
function interpolate(a: number, b: number, c: number, fa: number, fb: number, fc: number, half: number) {
  const s = fb / fa;
  let p: number;
  let q: number;
  if (a === c) {
    p = 2 * half * s;
    q = 1 - s;
  } else {
    const [u, r] = [fa / fc, fb / fc];
    p = s * (2 * half * u * (u - r) - (b - a) * (r - 1));
    q = (u - 1) * (r - 1) * (s - 1);
  }
  const step = p > 0 ? p / -q : -p / q;
  return Number.isFinite(step) && step * half > 0 ? step : null;
}
