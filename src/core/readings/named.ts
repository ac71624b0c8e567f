import { ldrLuxAt, ldrOhmsAt, type LdrCurve } from '../ldr/curve';
import { ASSUMED_GAMMA, ASSUMED_GAMMA_STD } from '../light/scale';
import { assert } from '../result';
import type { Measurement, ReadingLight } from './reading';

/**
 * The curve of a project without any light figure: it turns a resistance into a place on the light axis and back, exactly.
 * Its slope is the usual one, so that ratios of light come out as the estimate `(Ra/Rb)^(1/0.7)`.
 */
export const NAMED_CURVE: LdrCurve = {
  r10Ohms: 14_000,
  gamma: ASSUMED_GAMMA,
  darkOhms: null,
  brightOhms: 0,
};

/** The place on the axis of a resistance, in a project told in ohms. */
export function namedLightOf(ohms: number): number {
  const light = ldrLuxAt(NAMED_CURVE, ohms);
  assert(light !== null, 'a power law has a light for every resistance');
  return light;
}

/** The resistance that a place on the axis stands for, in a project told in ohms. */
export function namedOhmsAt(light: number): number {
  return ldrOhmsAt(NAMED_CURVE, light);
}

/** A resistance to set a goal at: that of a reading, or midway between two. */
export interface NamedGoal {
  readonly ohms: number;
  readonly light: ReadingLight;
  /** The next brighter reading, to which it lies midway; `null` at a reading itself. */
  readonly midwayTo: ReadingLight | null;
}

/**
 * Where a goal can be set without light figures: at each reading, and at the geometric middle (to three digits) of each two
 * neighbours. From the darkest to the brightest.
 */
export function namedGoals({ readings }: Pick<Measurement, 'readings'>): readonly NamedGoal[] {
  const known = readings
    .filter(({ above, setAside }) => !above && !setAside)
    .toSorted((one, other) => other.ohms - one.ohms);
  return known.flatMap(({ ohms, light }, index) => {
    const next = known[index + 1];
    const itself = { ohms, light, midwayTo: null };
    if (!next || next.ohms === ohms) return [itself];
    const middle = Number(Math.sqrt(ohms * next.ohms).toPrecision(3));
    return [itself, { ohms: middle, light, midwayTo: next.light }];
  });
}

/** An estimated ratio of two lights, with the range that a γ of 0.7 ± 0.15 leaves. All above or equal 1 for `ohms` above `otherOhms`. */
export interface LightRatio {
  readonly ratio: number;
  readonly low: number;
  readonly high: number;
}

/**
 * How many times brighter it was at the lower of two resistances: `(Ra/Rb)^(1/γ)` with γ assumed.
 * @example estimatedLightRatio(20_000, 10_000).ratio // 2.6918
 */
export function estimatedLightRatio(ohms: number, otherOhms: number): LightRatio {
  const high = Math.max(ohms, otherOhms) / Math.min(ohms, otherOhms);
  const power = (gamma: number) => high ** (1 / gamma);
  return {
    ratio: power(ASSUMED_GAMMA),
    low: power(ASSUMED_GAMMA + ASSUMED_GAMMA_STD),
    high: power(ASSUMED_GAMMA - ASSUMED_GAMMA_STD),
  };
}
