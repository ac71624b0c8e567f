import { ldrLuxAt } from '../ldr/curve';
import type { LdrModel } from '../ldr/model';
import { windowEdges } from '../detectors/thresholds';
import type { CircuitAnalysis } from './analysis';

/** What becomes of a load that lights its own LDR. */
export interface FeedbackLightFacts {
  readonly verdict: 'steady' | 'blinks' | 'latches' | 'dims-itself';
  /** The most own light with which it stays steady, on the project's scale; `null` where it does not switch. */
  readonly maxLux: number | null;
  /** With a latch: it releases once the room is darker than this; `null` where not even full dark makes it. */
  readonly releaseLux: number | null;
  /** With a soft switch that dims itself: it is fully on only below this ambient; `null` for at no light. */
  readonly fullyOnBelowLux: number | null;
}

/**
 * Lit light is ambient and own together. On in the dark with on-point L1 and off-point L2, own light of L2 − L1 or more turns
 * it off again as soon as it is on: it blinks (a transistor's transition band settles part of the way instead). On in the light,
 * own light of the off-point or more keeps it on in full dark: a latch.
 */
export function feedbackLightFacts(
  {
    action,
    half,
    justOff,
    fullyOn,
    thresholds,
  }: Pick<CircuitAnalysis, 'action' | 'half' | 'justOff' | 'fullyOn' | 'thresholds'>,
  feedbackLux: number,
): FeedbackLightFacts {
  const on = thresholds ? thresholds.turnOn : half;
  const off = thresholds ? thresholds.turnOff : justOff;
  if (!on.ok || !off.ok) return { verdict: 'steady', maxLux: null, releaseLux: null, fullyOnBelowLux: null };
  if (thresholds?.isWindow) {
    const edges = windowEdges(thresholds);
    if (!edges) return { verdict: 'steady', maxLux: null, releaseLux: null, fullyOnBelowLux: null };
    const { lower: low, upper: high } = edges;
    // Coming down into it, its own light carries it out again at the top, and keeps it in when the room gets dark. One that
    // is on outside is carried in out of the dark, or right across it, where nothing turns it off any more.
    const isOutside = thresholds.isOn[0] === true;
    const band = isOutside ? low.rising - low.falling : high.rising - high.falling;
    const held = isOutside ? high.falling : low.falling;
    const isOver = feedbackLux > 0 && feedbackLux >= band * (1 - ROUNDING);
    const verdict: 'blinks' | 'latches' | 'steady' =
      isOver && !(isOutside && feedbackLux >= held) ? 'blinks' : feedbackLux >= held ? 'latches' : 'steady';
    const releaseLux = held > feedbackLux ? held - feedbackLux : null;
    const maxLux = { blinks: band, latches: held, steady: Math.min(held, band) }[verdict];
    return { verdict, maxLux, releaseLux, fullyOnBelowLux: null };
  }
  if (action === 'on-in-light') {
    const isLatch = feedbackLux >= off.lux;
    const releaseLux = off.lux - feedbackLux > 0 ? off.lux - feedbackLux : null;
    return { verdict: isLatch ? 'latches' : 'steady', maxLux: off.lux, releaseLux, fullyOnBelowLux: null };
  }
  if (thresholds) {
    const band = off.lux - on.lux;
    const verdict = feedbackLux >= band && feedbackLux > 0 ? 'blinks' : 'steady';
    return { verdict, maxLux: band, releaseLux: null, fullyOnBelowLux: null };
  }
  // A soft switch: fully on takes that ambient and nine tenths of its own light together stay under the 90 % point.
  if (!fullyOn.ok)
    return {
      verdict: feedbackLux > 0 ? 'dims-itself' : 'steady',
      maxLux: 0,
      releaseLux: null,
      fullyOnBelowLux: null,
    };
  const below = fullyOn.lux - FULLY_ON * feedbackLux;
  const isNear = feedbackLux <= SMALL_SHARE * fullyOn.lux;
  return {
    verdict: isNear ? 'steady' : 'dims-itself',
    maxLux: SMALL_SHARE * fullyOn.lux,
    releaseLux: null,
    fullyOnBelowLux: below > 0 ? below : null,
  };
}

/** Two lights found to 1e-7 differ by no more than this. */
const ROUNDING = 1e-6;
const FULLY_ON = 0.9;
/** Own light under a twentieth of the switching light moves it by no more than the eye could tell. */
const SMALL_SHARE = 0.05;

/** Own light from the LDR's resistance with the load on and with it off, in the same room. `null` where the two do not say it. */
export function feedbackLightFrom({ curve }: LdrModel, onOhms: number, offOhms: number): number | null {
  const [lit, unlit] = [ldrLuxAt(curve, onOhms), ldrLuxAt(curve, offOhms)];
  return lit !== null && unlit !== null && lit >= unlit ? lit - unlit : null;
}
