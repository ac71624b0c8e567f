import type { Meter } from './meter';

/**
 * A meter on its direct-voltage or current ranges, as its kind usually is: ranges by decades of its counts, ± 0.5 % and three
 * digits on voltage, ± 1 % and three on current. Leaflets give resistance ranges far more apart than these, so they are not asked.
 */
const VOLTS = { share: 0.005, digits: 3 } as const;
const AMPS = { share: 0.01, digits: 3 } as const;
/** The highest range of each: there is none above 1000 V, 10 A. */
const MAX_FULL = { volts: 1000, amps: 20 } as const;
/** What a range goes by is its counts' first figures: 2 V, 20 V of 2000 counts; 6 V, 60 V of 6000. */
const MIN_FULL = { volts: 0.2, amps: 2e-3 } as const;

export type Measured = 'volts' | 'amps';

/** A figure on a display: what it shows, its last digit, and one standard deviation of how far it may be off. */
export interface Displayed {
  readonly shown: number;
  readonly step: number;
  readonly std: number;
  /** Digits behind the point. */
  readonly decimals: number;
  /** Full scale of its range. */
  readonly full: number;
}

/** What a meter shows of a voltage in V or a current in A, on the lowest range that holds it. */
export function displayed({ counts }: Pick<Meter, 'counts'>, what: Measured, value: number): Displayed {
  const lead = Number((counts / 10 ** Math.floor(Math.log10(counts))).toFixed(1));
  let full = lead;
  while (full / 10 >= MIN_FULL[what]) full /= 10;
  while (Math.abs(value) > full * (1 - 1 / counts) && full * 10 <= MAX_FULL[what]) full *= 10;
  const step = full / counts;
  const { share, digits } = what === 'volts' ? VOLTS : AMPS;
  return {
    shown: Math.round(value / step) * step,
    step,
    std: (share * Math.abs(value) + digits * step) / 2,
    decimals: Math.max(0, Math.ceil(-Math.log10(step) - 1e-9)),
    full,
  };
}
