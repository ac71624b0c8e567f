import { ldrOhmsAt } from '../ldr/curve';
import { lnOhmsVariance } from '../ldr/model';
import type { Observation } from '../ldr/observation';
import { SLIP_FACTORS } from '../ldr/priors';
import { ASSUMED_GAMMA } from '../light/scale';
import { isCoarse } from '../meter/shown';
import { bestRange, meterOf, rangeOf } from '../meter/meter';
import { at } from '../result';
import { memoize } from '../memoize';
import { measuredLdr, observationOf, SOURCES_KEPT, type MeasuredLdr } from './ldrOf';
import { measurementOf, type LampKind, type Measurement, type Reading } from './reading';

/** What may be odd about a reading: a code with its figures, and the change that would fix it. */
type FlagOf =
  | { readonly code: 'slip'; readonly factor: number; readonly fixedOhmsOf: number }
  | { readonly code: 'skin'; readonly parallelOhms: number; readonly expectedOhms: number }
  | { readonly code: 'outlier'; readonly offShare: number }
  | { readonly code: 'out-of-order'; readonly otherId: string }
  | { readonly code: 'above-contradicts'; readonly expectedOhms: number }
  | { readonly code: 'coarse'; readonly betterOhms: number | null }
  /** Taken before it had settled: the figure is where it was going, and may be off by this share. */
  | { readonly code: 'unsettled'; readonly offShare: number };

/** Something odd about one reading. */
export type Flag = { readonly id: string } & FlagOf;

/** What is odd about the readings as a whole. */
export type SetFlag =
  | { readonly code: 'mixed-lamps'; readonly lamps: readonly LampKind[] }
  | { readonly code: 'gamma-impossible'; readonly gamma: number }
  /** Readings that are in no fit, as nothing tells their light on the others' scale. */
  | { readonly code: 'left-out'; readonly count: number };

export interface Judgement {
  /** At most one for each reading: the likeliest explanation. */
  readonly flags: readonly Flag[];
  readonly set: readonly SetFlag[];
}

/** γ outside these cannot be a photoresistor read right. */
export const POSSIBLE_GAMMA = { min: 0.2, max: 1.5 } as const;
/** A reading that is believed less than this is told. */
const DOUBTED = 0.25;
/** A slip lies within so many standard deviations of whole decades off the curve, and within this of ln R at all. */
const SLIP_ROOM = 4;
const MAX_SLIP_ROOM = 0.7;
/** Fingers on the leads: what a body puts in parallel, in Ω, and from where on it can be told. */
const SKIN = { min: 2e5, max: 3e6, fromOhms: 1.5e5 } as const;

/** Judges the readings of a measurement. Nothing is dropped: that is for the user to do. */
export function judge(source: Measurement): Judgement {
  return judged(measurementOf(source));
}

const judged = memoize(
  (measurement: Measurement): Judgement => ({
    flags: flagsOf(measurement),
    set: setFlagsOf(measurement),
  }),
  SOURCES_KEPT,
);

function flagsOf(measurement: Measurement): readonly Flag[] {
  const { readings } = measurement;
  const measured = measuredLdr(measurement);
  const { resolved, used } = measured;
  const found = new Map<number, FlagOf>(doubts(measurement, measured));
  const figures = used.filter((index) => !at(readings, index).above && !found.has(index));
  const observations = figures.map((index) =>
    observationOf(measurement, resolved, index, { slopeAt: () => ASSUMED_GAMMA }),
  );
  flagOrder(observations, (position, other) => {
    found.set(at(figures, position), { code: 'out-of-order', otherId: at(readings, at(figures, other)).id });
  });
  for (const [index, reading] of readings.entries()) {
    const coarse = coarseFlag(reading, measurement);
    if (found.has(index)) continue;
    if (reading.unsettledStd > 0) found.set(index, { code: 'unsettled', offShare: 2 * reading.unsettledStd });
    else if (coarse) found.set(index, coarse);
  }
  return [...found.entries()]
    .sort(([one], [other]) => one - other)
    .map(([index, entry]) => ({ id: at(readings, index).id, ...entry }));
}

/** Readings that the fit takes for mistakes rather than not, each with what it looks like. */
function doubts(
  measurement: Measurement,
  { model, resolved, used }: MeasuredLdr,
): readonly [number, FlagOf][] {
  if (model.source !== 'measured') return [];
  const { fit, curve } = model;
  return used.flatMap((index, place): [number, FlagOf][] => {
    if (at(fit.sound, place) > DOUBTED) return [];
    const { lux, ohms, sigma, above } = observationOf(measurement, resolved, index, {
      slopeAt: () => curve.gamma,
    });
    const expectedOhms = ldrOhmsAt(curve, lux);
    if (above) return [[index, { code: 'above-contradicts', expectedOhms }]];
    const off = Math.log(ohms / expectedOhms);
    const room = SLIP_ROOM * Math.hypot(sigma, fit.residualStd ?? 0, Math.sqrt(lnOhmsVariance(model, lux)));
    const factor = SLIP_FACTORS.find((one) => Math.abs(off - Math.log(one)) < Math.min(room, MAX_SLIP_ROOM));
    if (factor !== undefined)
      return [[index, { code: 'slip', factor, fixedOhmsOf: Number((ohms / factor).toPrecision(12)) }]];
    const parallelOhms = 1 / (1 / ohms - 1 / expectedOhms);
    const isSkin =
      expectedOhms > SKIN.fromOhms && parallelOhms > SKIN.min && parallelOhms < SKIN.max && off < 0;
    return [
      [
        index,
        isSkin
          ? { code: 'skin', parallelOhms, expectedOhms }
          : { code: 'outlier', offShare: Math.expm1(off) },
      ],
    ];
  });
}

/** Brighter light must not read higher: neighbours in light that do so by more than both errors allow. */
function flagOrder(observations: readonly Observation[], tell: (position: number, other: number) => void) {
  const sorted = [...observations.keys()].sort(
    (one, other) => at(observations, one).lux - at(observations, other).lux,
  );
  for (let i = 1; i < sorted.length; i++) {
    const [darker, brighter] = [at(sorted, i - 1), at(sorted, i)];
    const [one, other] = [at(observations, darker), at(observations, brighter)];
    const rise = Math.log(other.ohms / one.ohms);
    if (other.lux > one.lux * 1.001 && rise > 3.3 * Math.hypot(one.sigma, other.sigma))
      tell(brighter, darker);
  }
}

function coarseFlag(reading: Reading, { meter: ref }: Measurement): FlagOf | null {
  const { ohms, above, rangeOhms } = reading;
  const meter = ref && meterOf(ref);
  const range = meter && rangeOf(meter, rangeOhms);
  if (!meter || !range || above || !isCoarse(meter, range, ohms)) return null;
  const best = bestRange(meter, ohms);
  return { code: 'coarse', betterOhms: best && best !== range ? best.fullOhms : null };
}

/** Lamps that an LDR sees alike: daylight and white LEDs, or warm filament light and torches. */
function setFlagsOf(measurement: Measurement): readonly SetFlag[] {
  const { model, used, resolved } = measuredLdr(measurement);
  const flags: SetFlag[] = [];
  const lamps = new Set(
    used.map((index) => at(measurement.readings, index).lamp).filter((lamp) => lamp !== null),
  );
  const count = measurement.readings.filter(
    ({ setAside }, index) => !setAside && at(resolved.lights, index) === null,
  ).length;
  if (count > 0) flags.push({ code: 'left-out', count });
  if (lamps.size > 1) flags.push({ code: 'mixed-lamps', lamps: [...lamps] });
  const { min, max } = POSSIBLE_GAMMA;
  if (model.source === 'measured' && !resolved.assumesGamma) {
    const { gamma } = model.curve;
    if (gamma < min || gamma > max) flags.push({ code: 'gamma-impossible', gamma });
  }
  return flags;
}
