import { capacitorKindOf, capacitorKinds } from '../../parts/kinds/capacitor';
import { pulseSeconds, pulseSpread, TWO_THIRDS, type TimerModel } from '../../parts/kinds/timer';
import type { Ok, Refused } from '../../result';
import { valuesIn, type ResistorStock } from '../../series/stock';
import { seriesValues } from '../../series/series';

/** What sets a pulse's time. */
export interface TimedPulse {
  readonly ohms: number;
  readonly farads: number;
  /** Where the timer's control pin stands, as a share of its supply. */
  readonly share: number;
  /** How far its time may be off by the timer itself, as a share. */
  readonly spread: number;
}

/** What a timer IC adds to what a pulse is timed by. @param share of the supply where its control pin stands */
export const timedBy = (model: TimerModel, share = TWO_THIRDS): Pick<TimedPulse, 'share' | 'spread'> => ({
  share,
  spread: pulseSpread(model, share),
});

/** The shortest and the longest pulse of the lot, in s. @param tolerance of the resistor, as a share */
export function pulseRange(
  { ohms, farads, share, spread }: TimedPulse,
  tolerance: number,
): { min: number; max: number } {
  const { low, high } = capacitorKinds[capacitorKindOf(farads)];
  const seconds = pulseSeconds(ohms, farads, share);
  return {
    min: (seconds * (1 - tolerance) * (1 + low)) / (1 + spread),
    max: seconds * (1 + tolerance) * (1 + high) * (1 + spread),
  };
}

/** Above this product of R and C an electrolytic's leak steals what should charge it: 100 µF at 1 MΩ. */
const LEAKY_SECONDS = 100;
/** Whether a pulse may never end, or much too late: the capacitor leaks as much as the resistor gives. */
export function leaksAway(ohms: number, farads: number): boolean {
  return capacitorKindOf(farads) === 'electrolytic' && ohms * farads >= LEAKY_SECONDS * (1 - 1e-9);
}

/** Capacitors that drawers hold: E6 from 1 nF to 1 mF. */
export const offeredFarads: readonly number[] = [-9, -8, -7, -6, -5, -4].flatMap((decade) =>
  seriesValues.E6.map((digit) => Number(`${digit}e${decade}`)),
);
/** Resistors that a timer charges well through. */
const CHARGING_OHMS = { min: 1000, max: 1e6 } as const;

export interface OneShotParts {
  readonly ohms: number;
  readonly farads: number;
  readonly seconds: number;
}

/** No parts make that time; the nearest that some do, `null` where no resistor suits a timer. */
export type PulseOutOfReach = Refused<'out-of-reach', { readonly nearest: OneShotParts | null }>;

/** The longest pulse that does not leak away: the largest resistor with the largest capacitor that it still charges. */
function nearestAtAll(ohms: readonly number[], share: number): OneShotParts | null {
  const largest = ohms.at(-1);
  if (largest === undefined) return null;
  const farads = offeredFarads.findLast((value) => !leaksAway(largest, value));
  return farads === undefined
    ? null
    : { ohms: largest, farads, seconds: pulseSeconds(largest, farads, share) };
}

/**
 * Resistor in stock and capacitor whose pulse comes nearest to a time, rather small capacitors than large ones: within 2 %
 * of the time the smallest that needs no leak-free part.
 */
export function partsForPulse(
  drawer: ResistorStock,
  seconds: number,
  share = TWO_THIRDS,
): Ok<{ readonly found: readonly OneShotParts[] }> | Refused<'empty-stock'> | PulseOutOfReach {
  const values = valuesIn(drawer);
  if (values.length === 0) return { ok: false, reason: 'empty-stock' };
  const ohms = values.filter((value) => value >= CHARGING_OHMS.min && value <= CHARGING_OHMS.max);
  const all = offeredFarads.flatMap((farads) => {
    const exact = seconds / pulseSeconds(1, farads, share);
    const near = [ohms.findLast((value) => value <= exact), ohms.find((value) => value >= exact)];
    return near.flatMap((value) =>
      value === undefined || leaksAway(value, farads)
        ? []
        : [{ ohms: value, farads, seconds: pulseSeconds(value, farads, share) }],
    );
  });
  const off = (parts: OneShotParts) => Math.abs(Math.log(parts.seconds / seconds));
  const near = all.filter((parts) => off(parts) < Math.log(1.5));
  if (near.length === 0) {
    const nearest = all.reduce<OneShotParts | null>(
      (best, parts) => (best && off(best) <= off(parts) ? best : parts),
      null,
    );
    return { ok: false, reason: 'out-of-reach', nearest: nearest ?? nearestAtAll(ohms, share) };
  }
  const cost = (parts: OneShotParts) =>
    Math.max(0, off(parts) - 0.02) * 20 + Math.log10(parts.farads / 1e-9) * 0.05;
  return { ok: true, found: [...near].sort((one, other) => cost(one) - cost(other)).slice(0, 6) };
}

/** The pulse with one resistor for every capacitor of a drawer. */
export function pulseTable(ohms: number, share = TWO_THIRDS): readonly OneShotParts[] {
  return offeredFarads
    .filter((_, index) => index % 2 === 0)
    .map((farads) => ({ ohms, farads, seconds: pulseSeconds(ohms, farads, share) }))
    .filter(({ seconds }) => seconds >= 1e-4 && seconds <= 3600);
}

export const ONE_SHOT_LIMITS = {
  ohms: { min: 1000, max: 1e7 },
  farads: { min: 1e-10, max: 0.01 },
  seconds: { min: 1e-4, max: 3600 },
} as const;
