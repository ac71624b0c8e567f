import { capacitorKindOf, capacitorKinds } from '../../parts/kinds/capacitor';
import { COUNTED_SWINGS, countedSeconds, SWING_FACTOR, SWING_TOLERANCE } from '../../parts/kinds/counter';
import type { Ok, Refused } from '../../result';
import { valuesIn, type ResistorStock } from '../../series/stock';
import { offeredFarads, type OneShotParts, type PulseOutOfReach } from './oneShot';

/** What its oscillator works well with; an electrolytic capacitor leaks too much for it. */
export const COUNTED_LIMITS = {
  ohms: { min: 10_000, max: 1e6 },
  farads: { min: 1e-9, max: 1e-6 },
  minutes: { min: 0.01, max: 999 },
} as const;

/** The shortest and the longest time of the lot, in s. @param tolerance of the resistor, as a share */
export function countedRange(ohms: number, farads: number, tolerance: number) {
  const seconds = countedSeconds(ohms, farads);
  const { low, high } = capacitorKinds[capacitorKindOf(farads)];
  const swing = 1 + SWING_TOLERANCE;
  return {
    min: (seconds * (1 - tolerance) * (1 + low)) / swing,
    max: seconds * (1 + tolerance) * (1 + high) * swing,
  };
}

/** Resistor in stock and capacitor that count nearest to a time; the smaller capacitor of two that are as near. */
export function partsForCount(
  stock: ResistorStock,
  seconds: number,
): Ok<{ readonly found: OneShotParts }> | Refused<'empty-stock'> | PulseOutOfReach {
  const { ohms, farads } = COUNTED_LIMITS;
  const values = valuesIn(stock).filter((value) => value >= ohms.min && value <= ohms.max);
  const first = values[0];
  const last = values.at(-1);
  if (first === undefined || last === undefined) return { ok: false, reason: 'empty-stock' };
  const all = offeredFarads
    .filter((value) => value >= farads.min * (1 - 1e-9) && value < farads.max)
    .flatMap((each) => {
      const exact = seconds / (COUNTED_SWINGS * SWING_FACTOR * each);
      const near = [
        values.findLast((value) => value <= exact) ?? first,
        values.find((value) => value >= exact) ?? last,
      ];
      return near.map((value) => ({ ohms: value, farads: each, seconds: countedSeconds(value, each) }));
    });
  const off = (parts: OneShotParts) => Math.abs(Math.log(parts.seconds / seconds));
  const best = all.reduce<OneShotParts | null>(
    (one, other) => (one && off(one) <= off(other) + 1e-9 ? one : other),
    null,
  );
  if (!best || off(best) > Math.log(1.2)) return { ok: false, reason: 'out-of-reach', nearest: best };
  return { ok: true, found: best };
}
