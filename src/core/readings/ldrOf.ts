import { at } from '../result';
import type { BagSpread } from '../ldr/bag';
import { ldrOhmsAt } from '../ldr/curve';
import type { LdrFit } from '../ldr/fitLdr';
import type { Observation } from '../ldr/maximumLikelihood';
import { ldrModelOf, localSlope, type LdrModel } from '../ldr/model';
import { ASSUMED_GAMMA, ASSUMED_GAMMA_STD } from '../light/scale';
import { bestRange, meterOf, rangeOf, readingSigma } from '../meter/meter';
import { NAMED_CURVE } from './named';
import { memoize } from '../memoize';
import { measurementOf, type Measurement, type Reading } from './reading';
import { resolveLights, type ResolvedLights } from './resolveLights';

/** What a hand at a lamp and an LDR that still settles add to each reading: standard deviation of ln R. */
export const HAND_SCATTER = 0.03;

/** The LDR as its readings tell it, and the lights that they were put to. */
export interface MeasuredLdr {
  readonly model: LdrModel;
  readonly resolved: ResolvedLights;
  /** The readings that the fit is made of, as indices, in the order of its observations. */
  readonly used: readonly number[];
}

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

function measure(source: Source): MeasuredLdr {
  const resolved = resolveLights(source);
  if (resolved.scale === 'ohms') {
    return { model: { source: 'named', curve: NAMED_CURVE }, resolved, used: [] };
  }
  const used = source.readings.flatMap((reading, index) =>
    isUsable(reading, resolved, index) ? [index] : [],
  );
  let slopeAt: (lux: number) => number = () => ASSUMED_GAMMA;
  let model: LdrModel = ldrModelOf([]);
  // The light's own error counts through the slope, which the first fit tells and the second uses.
  for (let pass = 0; pass < 2; pass++) {
    const observations = used.map((index) => observationOf(source, resolved, index, slopeAt));
    model = ldrModelOf(observations, source.bag);
    const { curve } = model;
    slopeAt = (lux) => localSlope(curve, lux);
    if (resolved.sigmas.every((sigma) => sigma === 0)) break;
  }
  if (model.source === 'measured' && resolved.assumesGamma) model = withAssumedGamma(model);
  return { model, resolved, used };
}

function isUsable({ setAside, light }: Reading, { lights }: ResolvedLights, index: number): boolean {
  // The lamp-off reading has told the background and has nothing left to say.
  return !setAside && light.kind !== 'lamp-off' && (lights[index] ?? null) !== null;
}

/** A reading as the fit sees it: `σ² = σ_lnR² + (γ·σ_lnE)² + σ_cell²`. */
export function observationOf(
  { readings, meter: ref }: Pick<Measurement, 'readings' | 'meter'>,
  { lights, sigmas }: ResolvedLights,
  index: number,
  slopeAt: (lux: number) => number,
): Observation {
  const { ohms, above, rangeOhms } = at(readings, index);
  const lux = at(lights, index) ?? NaN;
  const meter = ref && meterOf(ref);
  const range = meter && (rangeOf(meter, rangeOhms) ?? bestRange(meter, ohms));
  const meterSigma = meter && range ? readingSigma(meter, range, ohms) : 0;
  const lightSigma = (sigmas[index] ?? 0) * slopeAt(lux);
  return { lux, ohms, sigma: Math.hypot(HAND_SCATTER, meterSigma, lightSigma), above };
}

/** Layers alone never tell γ: its error is the spread of what LDRs usually have, whatever the readings' scatter. */
function withAssumedGamma(model: Extract<LdrModel, { source: 'measured' }>): LdrModel {
  const widen = (covariance: Float64Array, p: number) =>
    covariance.map((entry, index) => (index === p + 1 ? entry + ASSUMED_GAMMA_STD ** 2 : entry));
  const fit: LdrFit = {
    ...model.fit,
    covariance: widen(model.fit.covariance, Math.sqrt(model.fit.covariance.length)),
    gammaStdError: Math.hypot(model.fit.gammaStdError ?? 0, ASSUMED_GAMMA_STD),
    alternatives: model.fit.alternatives.map((alternative) => ({
      ...alternative,
      covariance: widen(alternative.covariance, Math.sqrt(alternative.covariance.length)),
    })),
  };
  return { ...model, fit };
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
