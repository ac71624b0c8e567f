import { ldrLuxAt } from '../ldr/curve';
import type { LdrModel } from '../ldr/model';
import type { Design } from './analysis';

/** What becomes of a load that lights its own LDR. */
export interface OwnLightFacts {
  readonly verdict: 'steady' | 'blinks' | 'latches' | 'dims-itself';
  /** The most own light with which it stays steady, on the project's scale; `null` where it does not switch. */
  readonly mostLux: number | null;
  /** With a latch: it lets go once the room is darker than this; `null` where not even full dark makes it. */
  readonly releaseLux: number | null;
  /** With a soft switch that dims itself: it is fully on only below this ambient; `null` for at no light. */
  readonly fullyOnBelowLux: number | null;
}

/**
 * Lit light is ambient and own together. On in the dark with on-point L1 and off-point L2, own light of L2 − L1 or more turns
 * it off again as soon as it is on: it blinks (a transistor's soft band settles part of the way instead). On in the light,
 * own light of the off-point or more keeps it on in full dark: a latch.
 */
export function ownLightFacts(
  {
    action,
    half,
    justOff,
    fullyOn,
    decision,
  }: Pick<Design, 'action' | 'half' | 'justOff' | 'fullyOn' | 'decision'>,
  ownLux: number,
): OwnLightFacts {
  const on = decision ? decision.turnOn : half;
  const off = decision ? decision.turnOff : justOff;
  if (!on.ok || !off.ok) return { verdict: 'steady', mostLux: null, releaseLux: null, fullyOnBelowLux: null };
  if (action === 'on-in-light') {
    const isLatch = ownLux >= off.lux;
    const releaseLux = off.lux - ownLux > 0 ? off.lux - ownLux : null;
    return { verdict: isLatch ? 'latches' : 'steady', mostLux: off.lux, releaseLux, fullyOnBelowLux: null };
  }
  if (decision) {
    const band = off.lux - on.lux;
    const verdict = ownLux >= band && ownLux > 0 ? 'blinks' : 'steady';
    return { verdict, mostLux: band, releaseLux: null, fullyOnBelowLux: null };
  }
  // A soft switch: fully on takes that ambient and nine tenths of its own light together stay under the 90 % point.
  if (!fullyOn.ok) return { verdict: ownLux > 0 ? 'dims-itself' : 'steady', mostLux: 0, releaseLux: null, fullyOnBelowLux: null }; // prettier-ignore
  const below = fullyOn.lux - FULLY_ON * ownLux;
  const isNear = ownLux <= SMALL_SHARE * fullyOn.lux;
  return {
    verdict: isNear ? 'steady' : 'dims-itself',
    mostLux: SMALL_SHARE * fullyOn.lux,
    releaseLux: null,
    fullyOnBelowLux: below > 0 ? below : null,
  };
}

const FULLY_ON = 0.9;
/** Own light under a twentieth of the switching light moves it by no more than the eye could tell. */
const SMALL_SHARE = 0.05;

/** Own light from the LDR's resistance with the load on and with it off, in the same room. `null` where the two do not say it. */
export function ownLightFrom({ curve }: LdrModel, onOhms: number, offOhms: number): number | null {
  const [lit, unlit] = [ldrLuxAt(curve, onOhms), ldrLuxAt(curve, offOhms)];
  return lit !== null && unlit !== null && lit >= unlit ? lit - unlit : null;
}
