import { at } from '../result';
import type { BagSpread } from '../ldr/bag';
import { ldrOhmsAt } from '../ldr/curve';
import type { Observation } from '../ldr/observation';
import { ldrModelOf, localSlope, type LdrModel } from '../ldr/model';
import { DISTANCE_STD_METRES } from '../light/ladder';
import { ASSUMED_GAMMA } from '../light/scale';
import { digitsSigma, meterOf, readingSigma, usedRange } from '../meter/meter';
import { commonErrorsOf, HAND_SCATTER, lightStdOf, movedLadder, type CommonShift } from './commonErrors';
import { NAMED_CURVE } from './named';
import { memoize } from '../memoize';
import { measurementOf, type Measurement, type Reading } from './reading';
import { resolveLights, type ResolvedLights } from './resolveLights';

/** The LDR as its readings tell it, and the lights that they were put to. */
export interface MeasuredLdr {
  readonly model: LdrModel;
  readonly resolved: ResolvedLights;
  /** The readings that the fit is made of, as indices, in the order of its observations. */
  readonly used: readonly number[];
  /** What moved several of them together, and what it came to. */
  readonly common: readonly FoundCommon[];
}

/** A common error as the fit found it. */
export type FoundCommon = CommonShift & { readonly value: number; readonly foundStd: number };

type Source = Measurement & { readonly bag?: BagSpread | null };

/** So many measurements are remembered at a time: a project's own, and those beside it. */
export const SOURCES_KEPT = 8;

/** What a measurement knows of its LDR, by all readings that are not set aside. */
export function measuredLdr(source: Source): MeasuredLdr {
  return measured(measurementOf(source), source.bag ?? null);
}

/** What a measurement says of the LDR serves every later edit of the circuit. */
const measured = memoize(
  (measurement: Measurement, bag: BagSpread | null) => measure({ ...measurement, bag }),
  SOURCES_KEPT,
);

/** The LDR's model alone. */
export function ldrOf(source: Source): LdrModel {
  return measuredLdr(source).model;
}

/** The ladder's unknowns are found and used so many times at most. */
const MAX_PASSES = 4;

function measure(source: Source): MeasuredLdr {
  let resolved = resolveLights(source);
  if (resolved.scale === 'ohms')
    return { model: { source: 'named', curve: NAMED_CURVE }, resolved, used: [], common: [] };
  const used = source.readings.flatMap((reading, index) =>
    isUsable(reading, resolved, index) ? [index] : [],
  );
  let slopeAt: (lux: number) => number = () => ASSUMED_GAMMA;
  let model: LdrModel = ldrModelOf([], { bag: source.bag });
  let common: readonly FoundCommon[] = [];
  for (let pass = 0; pass < MAX_PASSES; pass++) {
    const errors = commonErrorsOf(source, resolved, used);
    const observations = used.map((index, place) => {
      const shiftsOf = (isGain: boolean) =>
        errors.map(({ kind, shifts }) => ((kind === 'ohms-gain') === isGain ? at(shifts, place) : 0));
      const ohmsShifts = shiftsOf(true);
      const sharesGain = ohmsShifts.some((shift) => shift !== 0);
      return {
        ...observationOf(source, resolved, index, { slopeAt, sharesGain }),
        lightShifts: shiftsOf(false),
        ohmsShifts,
      };
    });
    model = ldrModelOf(observations, {
      common: errors,
      bag: source.bag,
      lightStd: lightStdOf(source, resolved),
    });
    if (model.source !== 'measured') break;
    const { curve, fit } = model;
    common = errors.map((error, index) => {
      const { value, std } = at(fit.common, index);
      return { ...error, value, foundStd: std };
    });
    // The light's own error counts through the slope, which the first fit tells and the second uses.
    slopeAt = (lux) => localSlope(curve, lux);
    const ladder = resolved.ladder && movedLadder(resolved.ladder, errors, fit.common);
    if (ladder) resolved = resolveLights(source, ladder.ladder);
    if (!used.some((index) => lightSigma(at(source.readings, index)) > 0) || (pass > 0 && !ladder?.isFar))
      break;
  }
  return { model, resolved, used, common };
}

function isUsable({ setAside, light }: Reading, { lights, ladder }: ResolvedLights, index: number): boolean {
  if (setAside || (lights[index] ?? null) === null) return false;
  return light.kind !== 'lamp-off' || ladder !== null;
}

/** A named level is never lit twice the same: standard deviation of ln E. */
export const LEVEL_STD = 0.2;

/** Standard deviation of ln E that is a reading's own, not shared with others. */
function lightSigma({ light }: Reading): number {
  if (light.kind === 'lamp') return (2 * DISTANCE_STD_METRES) / light.metres;
  if (light.kind === 'ldr') return HAND_SCATTER / ASSUMED_GAMMA;
  return light.kind === 'level' ? LEVEL_STD : 0;
}

export interface ObservationOptions {
  /** Slope of ln R over ln E, through which an error of the light counts. */
  readonly slopeAt: (lux: number) => number;
  /** The ohmmeter's gain on this range is a parameter of the fit, and no scatter of the reading. */
  readonly sharesGain?: boolean;
}

/** A reading as the fit sees it: `σ² = σ_lnR² + (γ·σ_lnE)² + σ_cell²`. */
export function observationOf(
  { readings, meter: ref }: Pick<Measurement, 'readings' | 'meter'>,
  { lights }: ResolvedLights,
  index: number,
  { slopeAt, sharesGain = false }: ObservationOptions,
): Observation {
  const reading = at(readings, index);
  const { ohms, above } = reading;
  const lux = at(lights, index) ?? NaN;
  const range = ref && usedRange(ref, reading);
  const meterSigma = ref && range ? (sharesGain ? digitsSigma : readingSigma)(meterOf(ref), range, ohms) : 0;
  const lightShare = lightSigma(reading) * slopeAt(lux);
  const sigma = Math.hypot(HAND_SCATTER, meterSigma, lightShare, reading.unsettledStd);
  return { lux, ohms, sigma, above, trusted: reading.trusted };
}

/** How far each reading lies off the curve, `ln(read / curve)`; `null` for one "above this" or without a light. */
export function residualsOf(source: Source): readonly (number | null)[] {
  const { model, resolved } = measuredLdr(source);
  if (resolved.scale === 'ohms') return source.readings.map(() => null);
  return source.readings.map(({ ohms, above, light }, index) => {
    const lux = resolved.lights[index] ?? null;
    const isFigure = !above && lux !== null && light.kind !== 'lamp-off';
    return isFigure ? Math.log(ohms / ldrOhmsAt(model.curve, lux)) : null;
  });
}
