import { ldrOhmsAt, type LdrCurve } from '../ldr/curve';
import { measuredLdr } from '../readings/ldrOf';
import type { Measurement, Reading } from '../readings/reading';
import type { Ok, Refused } from '../result';
import { faultsOf, type HabitCode } from './habits';

/** How near a fit came to the hidden LDR. */
export interface PracticeResult {
  readonly hidden: LdrCurve;
  readonly fitted: LdrCurve;
  /** `fitted / hidden − 1` of R10. */
  readonly r10Off: number;
  readonly gammaOff: number;
  /** R10 within 10 % and γ within 0.05. */
  readonly isNear: boolean;
  /** How far off it is, in units of near: 1 is on the edge. */
  readonly miss: number;
  /**
   * What each reading did: by how much the miss would grow without it; under 0 it cost. Costliest first. Readings that are set
   * aside are not among them.
   */
  readonly worth: readonly { readonly id: string; readonly gain: number }[];
  /** The one habit whose change would have brought the fit nearest, with the miss then; `null` where there is none to change. */
  readonly habit: Habit | null;
}

export interface Habit {
  readonly code: HabitCode;
  /** Readings that show it; empty where it is about all of them. */
  readonly ids: readonly string[];
  readonly thenMiss: number;
}

/** A change that leaves more than this share of the miss is no cure. */
const CURED_SHARE = 0.9;
/** Lights within this ratio tell a slope badly; fewer readings than this tell little. */
const NARROW_RATIO = 50;
const FEW_READINGS = 5;

export const NEAR = { r10Share: 0.1, gamma: 0.05 } as const;

/** How far off in units of "near": 1 is on the edge of it. */
function missOf(fitted: LdrCurve, hidden: LdrCurve): number {
  return Math.hypot(
    Math.log(fitted.r10Ohms / hidden.r10Ohms) / Math.log(1 + NEAR.r10Share),
    (fitted.gamma - hidden.gamma) / NEAR.gamma,
  );
}

/**
 * Holds a measurement against the truth: leaves each reading out in turn, and for each habit that its readings show puts the
 * true figures in their place.
 * @returns `no-fit` where the readings tell no curve in lux yet
 */
export function judgePractice(
  measurement: Measurement,
  hidden: LdrCurve,
): Ok<{ result: PracticeResult }> | Refused<'no-fit'> {
  const fitted = curveOf(measurement);
  if (!fitted) return { ok: false, reason: 'no-fit' };
  const miss = missOf(fitted, hidden);
  const missWith = (readings: readonly Reading[]) => {
    const curve = curveOf({ ...measurement, readings: [...readings] });
    return curve ? missOf(curve, hidden) : Infinity;
  };
  const used = measurement.readings.filter(({ setAside }) => !setAside);
  const worth = used
    .map(({ id }) => ({ id, gain: missWith(measurement.readings.filter((other) => other.id !== id)) - miss }))
    .sort((one, other) => one.gain - other.gain);
  const r10Off = fitted.r10Ohms / hidden.r10Ohms - 1;
  const gammaOff = fitted.gamma - hidden.gamma;
  const isNear = Math.abs(r10Off) <= NEAR.r10Share && Math.abs(gammaOff) <= NEAR.gamma;
  const habit = habitOf(measurement, hidden, miss, missWith);
  return { ok: true, result: { hidden, fitted, r10Off, gammaOff, isNear, miss, worth, habit } };
}

function habitOf(
  measurement: Measurement,
  hidden: LdrCurve,
  miss: number,
  missWith: (readings: readonly Reading[]) => number,
): Habit | null {
  const measured = measuredLdr(measurement);
  const faults = faultsOf(measurement, measured, hidden);
  const { lights } = measured.resolved;
  let best: Habit | null = null;
  for (const code of new Set(faults.filter((fault) => fault !== null))) {
    const cured = measurement.readings.map((reading, index): Reading => {
      const lux = lights[index] ?? null;
      if (faults[index] !== code || lux === null) return reading;
      return { ...reading, ohms: ldrOhmsAt(hidden, lux), above: false, rangeOhms: null, unsettledStd: 0 };
    });
    const thenMiss = missWith(cured);
    if (thenMiss < (best?.thenMiss ?? CURED_SHARE * miss)) {
      const ids = measurement.readings.flatMap(({ id }, index) => (faults[index] === code ? [id] : []));
      best = { code, ids, thenMiss };
    }
  }
  if (best) return best;
  const known = lights.filter((lux) => lux !== null);
  const isNarrow = Math.max(...known) / Math.min(...known) < NARROW_RATIO;
  // What a wider or a longer series would have brought is not known: only that it tells more.
  if (isNarrow && miss > 0.5) return { code: 'spread-the-lights', ids: [], thenMiss: miss };
  if (known.length < FEW_READINGS && miss > 0.5) return { code: 'read-more', ids: [], thenMiss: miss };
  return null;
}

function curveOf(measurement: Measurement): LdrCurve | null {
  const { model, resolved } = measuredLdr(measurement);
  return model.source === 'measured' && resolved.scale === 'lux' ? model.curve : null;
}
