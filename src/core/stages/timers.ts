import type { ComparatorPart } from './comparators';

/** A timer IC as a datasheet tells it: its output as a comparator's, and the three equal resistors inside that set its thresholds. */
export interface TimerPart extends Omit<
  ComparatorPart,
  'kind' | 'offsetVolts' | 'inputLowVolts' | 'inputHighVolts'
> {
  /** Each of the three, in Ω. */
  readonly stringOhms: number;
  /** How far a part's thresholds may lie from ⅓ and ⅔, as a share of them. */
  readonly thresholdShare: number;
}

/** The two families; the first is taken first. */
export const shippedTimers: readonly TimerPart[] = [
  { id: 'bipolar-timer', name: '', biasAmps: 1e-7, lowVolts: 0.1, highVolts: 1.4, outputOhms: 10, maxAmps: 0.2, idleAmps: 0.003, minSupplyVolts: 4.5, maxSupplyVolts: 16, stringOhms: 5000, thresholdShare: 0.04 },
  { id: 'cmos-timer', name: '', biasAmps: 1e-11, lowVolts: 0.02, highVolts: 0.1, outputOhms: 60, maxAmps: 0.05, idleAmps: 0.0001, minSupplyVolts: 2, maxSupplyVolts: 15, stringOhms: 40_000, thresholdShare: 0.02 },
]; // prettier-ignore

export function defaultTimer(): TimerPart {
  const [first] = shippedTimers;
  if (!first) throw new Error('no timer is shipped');
  return first;
}
