import { REFERENCE_LUX } from './curve';
import { LDR_PRIORS } from './priors';

/** What moves several readings together: the light meter's factor, a lamp's zero point, an ohmmeter's gain. */
export interface CommonError {
  /** Its prior is normal, about 0 where no mean is given. */
  readonly mean?: number;
  readonly std: number;
}

/** One reading as the fit sees it. */
export interface Observation {
  readonly lux: number;
  /** The resistance read; for an overrange reading the limit that it lies above. */
  readonly ohms: number;
  /** Standard deviation of ln R by its own scatter, up to a scale that all readings share. */
  readonly sigma: number;
  /** The meter was over its range: all that is known is R > `ohms`. */
  readonly above: boolean;
  /** It is no mistake, whatever the others say. */
  readonly trusted?: boolean;
  /** `d ln E / d c` for each common error; none where left out. Shape: common errors. */
  readonly lightShifts?: readonly number[];
  /** `d ln R read / d c` for each common error; none where left out. Shape: common errors. */
  readonly ohmsShifts?: readonly number[];
}

/** Parameters of the curve: ln R10, γ, ln Rdark, ln Rbright. The common errors follow them. */
export const CURVE_PARAMETERS = 4;

/** Observations as arrays, so that a fit goes over them without making anything. */
export interface Prepared {
  readonly count: number;
  /** 4 + common errors. */
  readonly parameters: number;
  /** ln(E/10 lx), ln R read (or of the limit), its σ and ln of that. Shape of each: count. */
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly sigma: Float64Array;
  readonly lnSigma: Float64Array;
  readonly above: Uint8Array;
  readonly trusted: Uint8Array;
  /** Row-major, count × common errors. */
  readonly lightShifts: Float64Array;
  readonly ohmsShifts: Float64Array;
  /** Mean and 1/σ² of each parameter's prior; R10 has none. Shape: parameters. */
  readonly priorMean: Float64Array;
  readonly priorWeight: Float64Array;
}

export interface PrepareOptions {
  /** Without priors the answer is plain maximum likelihood. */
  readonly hasPriors: boolean;
}

export function prepare(
  observations: readonly Observation[],
  common: readonly CommonError[],
  { hasPriors }: PrepareOptions,
): Prepared {
  const shifts = (key: 'lightShifts' | 'ohmsShifts') =>
    Float64Array.from(
      observations.flatMap((observation) => common.map((_, c) => observation[key]?.[c] ?? 0)),
    );
  const curve = [LDR_PRIORS.gamma, LDR_PRIORS.lnDark, LDR_PRIORS.lnBright];
  const weight = (std: number) => 1 / (std * std);
  return {
    count: observations.length,
    parameters: CURVE_PARAMETERS + common.length,
    x: Float64Array.from(observations, ({ lux }) => Math.log(lux / REFERENCE_LUX)),
    y: Float64Array.from(observations, ({ ohms }) => Math.log(ohms)),
    sigma: Float64Array.from(observations, ({ sigma }) => sigma),
    lnSigma: Float64Array.from(observations, ({ sigma }) => Math.log(sigma)),
    above: Uint8Array.from(observations, ({ above }) => (above ? 1 : 0)),
    trusted: Uint8Array.from(observations, ({ trusted }) => (trusted ? 1 : 0)),
    lightShifts: shifts('lightShifts'),
    ohmsShifts: shifts('ohmsShifts'),
    priorMean: Float64Array.of(0, ...curve.map(({ mean }) => mean), ...common.map(({ mean }) => mean ?? 0)),
    priorWeight: Float64Array.of(
      0,
      ...curve.map(({ std }) => (hasPriors ? weight(std) : 0)),
      ...common.map(({ std }) => weight(Math.max(std, 1e-9))),
    ),
  };
}
