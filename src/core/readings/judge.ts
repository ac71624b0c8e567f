import { fitLdr } from '../ldr/fitLdr';
import { ldrOhmsAt } from '../ldr/curve';
import { ldrModelOf, lnOhmsVariance } from '../ldr/model';
import type { Observation } from '../ldr/maximumLikelihood';
import { isCoarse } from '../meter/shown';
import { bestRange, meterOf, rangeOf } from '../meter/meter';
import { studentTail } from '../numeric/studentT';
import { at } from '../result';
import { memoize } from '../memoize';
import { measuredLdr, observationOf, SOURCES_KEPT } from './ldrOf';
import { measurementOf, type LampKind, type Measurement, type Reading } from './reading';
import { findSlips } from './slips';

/** What may be odd about a reading: a code with its figures, and the change that would fix it. */
type FlagOf =
  | { readonly code: 'slip'; readonly factor: number; readonly fixedOhmsOf: number }
  | { readonly code: 'skin'; readonly parallelOhms: number; readonly expectedOhms: number }
  | { readonly code: 'outlier'; readonly offShare: number }
  | { readonly code: 'out-of-order'; readonly otherId: string }
  | { readonly code: 'above-contradicts'; readonly expectedOhms: number }
  | { readonly code: 'coarse'; readonly betterOhms: number | null };

/** Something odd about one reading. */
export type Flag = { readonly id: string } & FlagOf;

/** What is odd about the readings as a whole. */
export type SetFlag =
  | { readonly code: 'mixed-lamps'; readonly lamps: readonly LampKind[] }
  | { readonly code: 'gamma-impossible'; readonly gamma: number };

export interface Judgement {
  /** At most one for each reading: the likeliest explanation. */
  readonly flags: readonly Flag[];
  readonly set: readonly SetFlag[];
}

/** γ outside these cannot be a photoresistor read right. */
export const POSSIBLE_GAMMA = { min: 0.2, max: 1.5 } as const;
/** An outlier is told when chance alone makes one in this share of clean sets. */
const OUTLIER_CHANCE = 0.015;
/** Nearer to the curve than this nobody calls a reading an outlier, however clean the others are. */
const OUTLIER_MIN = 0.2;
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
  const { resolved, used } = measuredLdr(measurement);
  const observations = used.map((index) => observationOf(measurement, resolved, index, () => 0.7));
  const figures = observations.flatMap((observation, position) => (observation.above ? [] : [position]));
  const slips = findSlips(figures.map((position) => at(observations, position)));
  const found = new Map<number, FlagOf>();
  const flag = (position: number, rest: FlagOf) => {
    const index = at(used, position);
    if (!found.has(index)) found.set(index, rest);
  };
  for (const { index, factor } of slips) {
    const position = at(figures, index);
    const fixedOhmsOf = Number((at(observations, position).ohms / factor).toPrecision(12));
    flag(position, { code: 'slip', factor, fixedOhmsOf });
  }
  const slipped = new Set(slips.map(({ index }) => at(figures, index)));
  const kept = observations.flatMap((observation, position) => (slipped.has(position) ? [] : [position]));
  flagOff(observations, kept, flag);
  flagOrder(observations, kept, (position, other) =>
    flag(position, { code: 'out-of-order', otherId: at(readings, at(used, other)).id }),
  );
  for (const [index, reading] of readings.entries()) {
    const coarse = coarseFlag(reading, measurement);
    if (coarse && !found.has(index)) found.set(index, coarse);
  }
  return [...found.entries()]
    .sort(([one], [other]) => one - other)
    .map(([index, entry]) => ({ id: at(readings, index).id, ...entry }));
}

type Tell = (position: number, flag: FlagOf) => void;

/** Each reading against the curve through all the others: skin in parallel, a limit that contradicts, a far outlier. */
function flagOff(observations: readonly Observation[], kept: readonly number[], tell: Tell) {
  const set = kept.map((position) => at(observations, position));
  const whole = fitLdr(set);
  if (!whole.ok) return;
  const highest = highestOf(observations, kept);
  const suspects = kept
    .map((position) => {
      const { lux, ohms, sigma, above } = at(observations, position);
      const off = Math.log(ohms / ldrOhmsAt(whole.fit.curve, lux));
      return { position, off, above, size: Math.abs(off) / sigma };
    })
    .filter(({ off, above, position }) => {
      // The highest reading can bend the whole curve to itself: a floor that only it supports may be skin.
      if (position === highest) return true;
      return above ? off > OUTLIER_MIN / 2 : Math.abs(off) > OUTLIER_MIN / 2;
    })
    .sort((one, other) => other.size - one.size)
    .slice(0, 5);
  for (const { position } of suspects) {
    const observation = at(observations, position);
    const others = kept.filter((other) => other !== position).map((other) => at(observations, other));
    const model = ldrModelOf(others);
    if (model.source !== 'measured' || model.fit.degrees < 1) continue;
    const expectedOhms = ldrOhmsAt(model.curve, observation.lux);
    const off = Math.log(observation.ohms / expectedOhms);
    const typical = Math.sqrt(others.reduce((total, { sigma }) => total + sigma ** 2, 0) / others.length);
    const scatter = Math.max(
      ((model.fit.residualStd ?? 0) * observation.sigma) / typical,
      0.5 * observation.sigma,
    );
    const t = off / Math.sqrt(lnOhmsVariance(model, observation.lux) + scatter ** 2);
    const chance = studentTail(t, model.fit.degrees) * set.length;
    if (chance > OUTLIER_CHANCE || Math.abs(off) < OUTLIER_MIN) continue;
    if (observation.above) {
      if (off > 0) tell(position, { code: 'above-contradicts', expectedOhms });
      continue;
    }
    const parallelOhms = 1 / (1 / observation.ohms - 1 / expectedOhms);
    const isNonlinear = position === highest && whole.fit.kind !== model.fit.kind;
    const isSkin =
      expectedOhms > SKIN.fromOhms && parallelOhms > SKIN.min && parallelOhms < SKIN.max && off < 0;
    if (isSkin) tell(position, { code: 'skin', parallelOhms, expectedOhms });
    else if (!isNonlinear) tell(position, { code: 'outlier', offShare: Math.expm1(off) });
  }
}

function highestOf(observations: readonly Observation[], kept: readonly number[]): number {
  return kept.reduce((best, position) => {
    const { ohms, above } = at(observations, position);
    return !above && (best < 0 || ohms > at(observations, best).ohms) ? position : best;
  }, -1);
}

/** Brighter light must not read higher: neighbours in light that do so by more than both errors allow. */
function flagOrder(
  observations: readonly Observation[],
  kept: readonly number[],
  tell: (position: number, other: number) => void,
) {
  const sorted = kept
    .filter((position) => !at(observations, position).above)
    .sort((one, other) => at(observations, one).lux - at(observations, other).lux);
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
  if (lamps.size > 1) flags.push({ code: 'mixed-lamps', lamps: [...lamps] });
  const { min, max } = POSSIBLE_GAMMA;
  if (model.source === 'measured' && !resolved.assumesGamma) {
    const { gamma } = model.curve;
    if (gamma < min || gamma > max) flags.push({ code: 'gamma-impossible', gamma });
  }
  return flags;
}
