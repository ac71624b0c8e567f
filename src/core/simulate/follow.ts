import type { LdrDynamics } from '../ldr/dynamics';

/**
 * One lag after `seconds` while what it follows goes evenly from one value to another: `y' = (T(t) − y)/τ`, τ being the rise
 * where the target lies above and the fall where it lies below. Exact: with T(t) = T0 + s·t it is
 * `y = T(t) − s·τ + (y0 − T0 + s·τ)·e^(−t/τ)`, and from where y meets T on with the other τ.
 *
 * @param from y at the start
 * @param start what it follows at the start
 * @param end what it follows after `whole` seconds; the same as `start` for steady light
 * @param seconds 0 … `whole`
 */
export function followed(
  from: number,
  start: number,
  end: number,
  whole: number,
  seconds: number,
  rise: number,
  fall: number,
): number {
  if (seconds <= 0) return from;
  const slope = whole > 0 ? (end - start) / whole : 0;
  const gap = start - from;
  const tau = gap > 0 || (gap === 0 && slope > 0) ? rise : fall;
  if (slope === 0) return start - gap * Math.exp(-seconds / tau);
  const left = slope * tau - gap;
  const there = start + slope * seconds;
  // It comes from the other side and meets its target where the gap, s·τ − left·e^(−t/τ), is none.
  if (gap * slope < 0) {
    const meets = -tau * Math.log(Math.min(1, (slope * tau) / left));
    if (seconds > meets) {
      const other = slope > 0 ? rise : fall;
      return there - slope * other * (1 - Math.exp(-(seconds - meets) / other));
    }
  }
  return there - slope * tau + left * Math.exp(-seconds / tau);
}

/** The lagging part of an LDR rises so many times slower than the prompt one. */
const TAIL_RISE_TIMES = 4;

/** An LDR's conductance as it follows the light: a prompt part and the memory of past light. */
export class Follower {
  /** Each part's conductance as if it were the whole, in S. */
  private prompt: number;
  private tail: number;

  constructor(
    private readonly dynamics: LdrDynamics,
    siemens: number,
  ) {
    this.prompt = siemens;
    this.tail = siemens;
  }

  /** Lies in one light for ever. */
  settle(siemens: number): void {
    this.prompt = siemens;
    this.tail = siemens;
  }

  get siemens(): number {
    const { tailShare } = this.dynamics;
    return (1 - tailShare) * this.prompt + tailShare * this.tail;
  }

  /** Its conductance after some of the time in which its target goes from one value to another; nothing is changed. */
  siemensAfter(seconds: number, start: number, end: number, whole: number): number {
    const { riseSeconds, fallSeconds, tailShare, tailSeconds } = this.dynamics;
    const prompt = followed(this.prompt, start, end, whole, seconds, riseSeconds, fallSeconds);
    if (tailShare === 0) return prompt;
    const slow = riseSeconds * TAIL_RISE_TIMES;
    return (
      (1 - tailShare) * prompt +
      tailShare * followed(this.tail, start, end, whole, seconds, slow, tailSeconds)
    );
  }

  /** Lets the time pass. */
  advance(seconds: number, start: number, end: number, whole: number): void {
    const { riseSeconds, fallSeconds, tailSeconds } = this.dynamics;
    this.prompt = followed(this.prompt, start, end, whole, seconds, riseSeconds, fallSeconds);
    this.tail = followed(this.tail, start, end, whole, seconds, riseSeconds * TAIL_RISE_TIMES, tailSeconds);
  }

  /** How far it is from a target, as a share of it. */
  lagsBehind(target: number): number {
    return Math.max(Math.abs(this.prompt - target), Math.abs(this.tail - target)) / target;
  }

  /**
   * How far each part is from how it follows a target that goes on evenly, as shares of the target: what still bends its way. A part
   * that has long followed such a target lags behind it by the same all the time.
   *
   * @param slope of the target, in S per second
   */
  settling(target: number, slope: number): { readonly prompt: number; readonly tail: number } {
    const { riseSeconds, fallSeconds, tailSeconds } = this.dynamics;
    const [tau, tailTau] =
      slope > 0 ? [riseSeconds, riseSeconds * TAIL_RISE_TIMES] : [fallSeconds, tailSeconds];
    return {
      prompt: Math.abs(this.prompt - target + slope * tau) / target,
      tail: Math.abs(this.tail - target + slope * tailTau) / target,
    };
  }

  /** How far the prompt part is from it. */
  isPromptBehind(target: number, share: number): boolean {
    return Math.abs(this.prompt - target) > share * target;
  }

  copyFrom({ prompt, tail }: Follower): void {
    this.prompt = prompt;
    this.tail = tail;
  }
}
