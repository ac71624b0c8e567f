export interface PeakOptions {
  /** Width of x at which the search ends, above 0. */
  readonly tolerance: number;
  /** A share of the top that is none: steps that gain or lose less end the search as well. */
  readonly leastGain: number;
  readonly maxSteps?: number;
}

const GOLDEN = (3 - Math.sqrt(5)) / 2;

/**
 * Looks for the top of a function between two ends, from a point that is higher than both, by Brent's method (parabolas through the
 * three highest points, golden sections where those lead nowhere; Brent 1973, "localmin"). What it comes to is for `f` to keep.
 *
 * @param f called with one x after another between the ends; must be finite, and above 0 near its top
 * @param top a point between the ends, and `f` there
 */
export function findPeak(
  f: (x: number) => number,
  [from, to]: readonly [from: number, to: number],
  top: { readonly x: number; readonly value: number },
  { tolerance, leastGain, maxSteps = 40 }: PeakOptions,
): void {
  let [left, right] = [from, to];
  // The highest point, the second and the third.
  let [x, second, third] = [top.x, top.x, top.x];
  let [high, secondHigh, thirdHigh] = [top.value, top.value, top.value];
  let [step, stepBefore] = [0, 0];
  let isLevel = false;
  for (let count = 0; count < maxSteps; count++) {
    const middle = (left + right) / 2;
    if (Math.abs(x - middle) + (right - left) / 2 <= 2 * tolerance) return;
    const r = (x - second) * (high - thirdHigh);
    const q = (x - third) * (high - secondHigh);
    const p = (x - third) * q - (x - second) * r;
    const bend = 2 * (q - r);
    const proposed = bend === 0 ? NaN : -p / bend;
    const isParabola =
      Math.abs(stepBefore) > tolerance &&
      Math.abs(proposed) < Math.abs(stepBefore) / 2 &&
      x + proposed > left &&
      x + proposed < right;
    stepBefore = step;
    if (isParabola) step = proposed;
    else {
      stepBefore = (x < middle ? right : left) - x;
      step = GOLDEN * stepBefore;
    }
    const next = x + (Math.abs(step) >= tolerance ? step : Math.sign(step) * tolerance);
    const value = f(next);
    // A step that hardly gains or loses: by a parabola that is the top, twice in turn a plain.
    const wasLevel = isLevel;
    isLevel = Math.abs(value - high) < leastGain * high;
    const isDone = isLevel && (isParabola || wasLevel);
    if (value >= high) {
      if (next >= x) left = x;
      else right = x;
      [third, thirdHigh, second, secondHigh, x, high] = [second, secondHigh, x, high, next, value];
      if (isDone) return;
      continue;
    }
    if (next < x) left = next;
    else right = next;
    if (value >= secondHigh || second === x)
      [third, thirdHigh, second, secondHigh] = [second, secondHigh, next, value];
    else if (value >= thirdHigh || third === x || third === second) [third, thirdHigh] = [next, value];
    if (isDone) return;
  }
}
