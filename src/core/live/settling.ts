import type { MeterSample } from './sample';

/** An LDR has settled when |d ln R/dt| stays under this, per second … */
export const SETTLED_RATE = 0.005;
/** … over this long, in ms. */
export const SETTLED_MILLISECONDS = 3000;

/** A window whose ln R spans more than this is restless however level its slope is: a flickering screen, a moving hand. */
export const RESTLESS_SPAN = 0.03;

export interface Settling {
  readonly settled: boolean;
  /** d ln R/dt over the window, per second; `null` while the window is not filled with figures. */
  readonly ratePerSecond: number | null;
}

const UNKNOWN: Settling = { settled: false, ratePerSecond: null };

/**
 * Tells from the last three seconds whether the LDR has settled: the least-squares slope of ln R over the window, and
 * that it stays within a few per cent. A figure over range, or a gap, starts the window anew.
 */
export class SettlingTracker {
  private samples: MeterSample[] = [];

  push(sample: MeterSample): Settling {
    const last = this.samples[this.samples.length - 1];
    if (sample.above || !(sample.ohms > 0)) {
      this.samples = [];
      return UNKNOWN;
    }
    if (last && (sample.at <= last.at || sample.at - last.at > SETTLED_MILLISECONDS / 2)) this.samples = [];
    this.samples.push(sample);
    const from = sample.at - SETTLED_MILLISECONDS;
    // One sample from before the window stays, so that the window is known to be filled.
    while (this.samples.length > 2 && (this.samples[1]?.at ?? Infinity) <= from) this.samples.shift();
    const first = this.samples[0];
    if (!first || first.at > from || this.samples.length < 3) return UNKNOWN;
    const ratePerSecond = slopePerSecond(this.samples);
    const logs = this.samples.map(({ ohms }) => Math.log(ohms));
    const isRestless = Math.max(...logs) - Math.min(...logs) > RESTLESS_SPAN;
    return { settled: !isRestless && Math.abs(ratePerSecond) < SETTLED_RATE, ratePerSecond };
  }

  reset(): void {
    this.samples = [];
  }
}

/** Least-squares slope of ln R against time, per second. */
function slopePerSecond(samples: readonly MeterSample[]): number {
  const n = samples.length;
  const origin = samples[0]?.at ?? 0;
  let [st, sy, stt, sty] = [0, 0, 0, 0];
  for (const { at, ohms } of samples) {
    const t = (at - origin) / 1000;
    const y = Math.log(ohms);
    st += t;
    sy += y;
    stt += t * t;
    sty += t * y;
  }
  const spread = stt - (st * st) / n;
  return spread > 0 ? (sty - (st * sy) / n) / spread : 0;
}
