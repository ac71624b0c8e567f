import { ldrLuxAt, type LdrCurve } from '../../ldr/curve';
import type { Ok, Refused } from '../../result';
import type { LightTrack } from './dayLight';

/** A light that was recorded: seconds and lx. Shape: points. */
export interface Recorded {
  readonly seconds: readonly number[];
  readonly lux: readonly number[];
}

/** A gap longer than this is told: what was between is not known, in s. */
export const GAP_SECONDS = 300;
/** No light is less, in lx. */
const MIN_LUX = 1e-5;

export type RecordedTrack =
  | Ok<{ readonly track: LightTrack; readonly gaps: number }>
  | Refused<'empty' | 'too-short'>
  | Refused<'backward', { readonly index: number }>;

/** A recorded light as a track: from its first point on; between points it goes evenly. */
export function trackOf({ seconds, lux }: Recorded): RecordedTrack {
  if (seconds.length === 0) return { ok: false, reason: 'empty' };
  const start = seconds[0] ?? 0;
  const backward = seconds.findIndex((time, index) => index > 0 && !(time >= (seconds[index - 1] ?? 0)));
  if (backward > 0) return { ok: false, reason: 'backward', index: backward };
  if ((seconds.at(-1) ?? 0) - start <= 0) return { ok: false, reason: 'too-short' };
  return {
    ok: true,
    gaps: seconds.filter((time, index) => index > 0 && time - (seconds[index - 1] ?? 0) > GAP_SECONDS).length,
    track: {
      seconds: Float64Array.from(seconds, (time) => time - start),
      lux: Float64Array.from(lux, (light) => Math.max(MIN_LUX, light)),
      ripples: [],
    },
  };
}

/** A log of resistances as the light that the LDR's curve says; what lies above a range is at least so dark. */
export function lightOfLog(curve: LdrCurve, at: ArrayLike<number>, ohms: ArrayLike<number>): Recorded {
  const seconds: number[] = [];
  const lux: number[] = [];
  for (let index = 0; index < at.length; index++) {
    const light = ldrLuxAt(curve, ohms[index] ?? 0);
    if (light === null) continue;
    seconds.push((at[index] ?? 0) / 1000);
    lux.push(light);
  }
  return { seconds, lux };
}
