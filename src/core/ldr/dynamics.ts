import { ldrOhmsAt, type LdrCurve } from './curve';

/** How fast an LDR follows the light. */
export interface LdrDynamics {
  /** Time constants of the conductance toward light and toward dark, in s. */
  readonly riseSeconds: number;
  readonly fallSeconds: number;
  /** Share of the conductance that lags behind with the memory of past light, 0–1, and its time constant in s. */
  readonly tailShare: number;
  readonly tailSeconds: number;
}

/** A usual small photoresistor: 30 ms toward light, 60 ms toward dark, and a tail of seconds. */
export const DEFAULT_DYNAMICS: LdrDynamics = {
  riseSeconds: 0.03,
  fallSeconds: 0.06,
  tailShare: 0.08,
  tailSeconds: 2,
};

/** The dynamics of an LDR of which at most its two time constants are known; the usual ones for what is not. */
export function dynamicsOf(part: {
  readonly riseSeconds: number | null;
  readonly fallSeconds: number | null;
}): LdrDynamics {
  const riseSeconds = part.riseSeconds ?? DEFAULT_DYNAMICS.riseSeconds;
  const fallSeconds = part.fallSeconds ?? DEFAULT_DYNAMICS.fallSeconds;
  return { ...DEFAULT_DYNAMICS, riseSeconds, fallSeconds };
}

/** One time constant for a ripple that goes both ways: the geometric mean, in s. */
export function lagSecondsOf({ riseSeconds, fallSeconds }: LdrDynamics): number {
  return Math.sqrt(riseSeconds * fallSeconds);
}

/** Conductances of the prompt and of the lagging part, each as if it were the whole, in S. */
export interface LdrState {
  readonly prompt: number;
  readonly tail: number;
}

/** An LDR that has lain in one light for ever. */
export function settledLdr(curve: LdrCurve, lux: number): LdrState {
  const conductance = 1 / ldrOhmsAt(curve, lux);
  return { prompt: conductance, tail: conductance };
}

/**
 * The LDR after `seconds` in a light: each part of its conductance nears its end by the exact exponential, so any step
 * is stable and two half steps are one whole step.
 */
export function stepLdr(
  state: LdrState,
  curve: LdrCurve,
  dynamics: LdrDynamics,
  lux: number,
  seconds: number,
): LdrState {
  const end = 1 / ldrOhmsAt(curve, lux);
  const toward = (from: number, rise: number, fall: number) =>
    end + (from - end) * Math.exp(-seconds / (end > from ? rise : fall));
  return {
    prompt: toward(state.prompt, dynamics.riseSeconds, dynamics.fallSeconds),
    tail: toward(state.tail, dynamics.riseSeconds * 4, dynamics.tailSeconds),
  };
}

/** Resistance of an LDR that may still be on its way, in Ω. */
export function ohmsOfState({ prompt, tail }: LdrState, { tailShare }: LdrDynamics): number {
  return 1 / ((1 - tailShare) * prompt + tailShare * tail);
}
