import type { LdrCurve } from '../ldr/curve';
import { measuredLdr } from '../readings/ldrOf';
import type { Measurement } from '../readings/reading';
import type { Ok, Refused } from '../result';

/** How near a fit came to the hidden LDR. */
export interface PracticeResult {
  readonly hidden: LdrCurve;
  readonly fitted: LdrCurve;
  /** `fitted / hidden − 1` of R10. */
  readonly r10Off: number;
  readonly gammaOff: number;
  /** R10 within 10 % and γ within 0.05. */
  readonly isNear: boolean;
  /** The reading without which the fit would have come nearest, where that helps; its miss is then `withoutMiss`. */
  readonly costliest: { readonly id: string; readonly miss: number; readonly withoutMiss: number } | null;
}

export const NEAR = { r10Share: 0.1, gamma: 0.05 } as const;

/** How far off in units of "near": 1 is on the edge of it. */
function missOf(fitted: LdrCurve, hidden: LdrCurve): number {
  return Math.hypot(
    Math.log(fitted.r10Ohms / hidden.r10Ohms) / Math.log(1 + NEAR.r10Share),
    (fitted.gamma - hidden.gamma) / NEAR.gamma,
  );
}

/**
 * Holds a measurement against the truth, and finds the reading that cost most by leaving each out in turn.
 * @returns `no-fit` where the readings tell no curve in lux yet
 */
export function judgePractice(
  measurement: Measurement,
  hidden: LdrCurve,
): Ok<{ result: PracticeResult }> | Refused<'no-fit'> {
  const fitted = curveOf(measurement);
  if (!fitted) return { ok: false, reason: 'no-fit' };
  const miss = missOf(fitted, hidden);
  let costliest: PracticeResult['costliest'] = null;
  for (const { id, setAside } of measurement.readings) {
    if (setAside) continue;
    const without = curveOf({
      ...measurement,
      readings: measurement.readings.filter((other) => other.id !== id),
    });
    const withoutMiss = without ? missOf(without, hidden) : Infinity;
    if (withoutMiss < (costliest?.withoutMiss ?? miss * 0.9)) costliest = { id, miss, withoutMiss };
  }
  const r10Off = fitted.r10Ohms / hidden.r10Ohms - 1;
  const gammaOff = fitted.gamma - hidden.gamma;
  const isNear = Math.abs(r10Off) <= NEAR.r10Share && Math.abs(gammaOff) <= NEAR.gamma;
  return { ok: true, result: { hidden, fitted, r10Off, gammaOff, isNear, costliest } };
}

function curveOf(measurement: Measurement): LdrCurve | null {
  const { model, resolved } = measuredLdr(measurement);
  return model.source === 'measured' && resolved.scale === 'lux' ? model.curve : null;
}
