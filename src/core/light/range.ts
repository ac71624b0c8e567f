import { scaleLog } from 'd3-scale';
import { memoize } from '../memoize';

/** A span of light, both ends in lux, 0 < least < most. */
export interface LightRange {
  readonly minLux: number;
  readonly maxLux: number;
}

/** The light the axis shows when nothing asks for more: moonlight to direct sun. */
export const DEFAULT_LIGHT: LightRange = { minLux: 0.1, maxLux: 100_000 };

/** The light that may be typed at all: starlight to beyond any sun. */
export const POSSIBLE_LIGHT: LightRange = { minLux: 0.0001, maxLux: 1_000_000 };

/** The light that a goal or a step may have, on whichever scale. */
export const LIGHT_LIMITS = { min: 1e-9, max: 1e9 } as const;

/** A light that follows from others, kept to what can be typed. */
export const possibleLight = (lux: number) => Math.min(LIGHT_LIMITS.max, Math.max(LIGHT_LIMITS.min, lux));

/**
 * The usual axis, widened by whole decades until every given light lies inside with a little room.
 * @param lights in lux, each above 0
 * @example lightRangeFor([0.05, 40]) // { minLux: 0.01, maxLux: 100000 }
 */
export function lightRangeFor(lights: readonly number[]): LightRange {
  let { minLux, maxLux } = DEFAULT_LIGHT;
  for (const lux of lights) {
    while (lux < minLux * 1.3 && minLux > POSSIBLE_LIGHT.minLux) minLux = decade(minLux, -1);
    while (lux > maxLux / 1.3 && maxLux < POSSIBLE_LIGHT.maxLux) maxLux = decade(maxLux, 1);
  }
  return { minLux, maxLux };
}

/**
 * The axis for lights on another scale than lux: whole decades with half a decade of room on both sides.
 * @param lights each above 0, at least one
 * @example lightRangeAround([0.3, 20]) // { minLux: 0.01, maxLux: 100 }
 */
export function lightRangeAround(lights: readonly number[]): LightRange {
  const min = Math.floor(Math.log10(Math.min(...lights)) - 0.5);
  const max = Math.ceil(Math.log10(Math.max(...lights)) + 0.5);
  return { minLux: Number(`1e${min}`), maxLux: Number(`1e${max}`) };
}

function decade(lux: number, steps: number): number {
  return Number(`1e${Math.round(Math.log10(lux)) + steps}`);
}

/** Making a scale costs far more than asking it. */
const scaleOf = memoize(({ minLux, maxLux }: LightRange) => scaleLog([minLux, maxLux], [0, 1]), 4);

/** Where a light lies on the logarithmic axis: 0 at the dark end, 1 at the bright end; beyond them outside 0–1. */
export function fractionOfLux(lux: number, range: LightRange): number {
  return scaleOf(range)(lux);
}

/** The inverse of {@link fractionOfLux}. */
export function luxOfFraction(fraction: number, range: LightRange): number {
  if (fraction === 0) return range.minLux;
  return fraction === 1 ? range.maxLux : scaleOf(range).invert(fraction);
}

/** So many lights, evenly on the axis, tell what a transistor's circuit comes to: between them all is smooth, and peaks are climbed. */
export const SWEPT_LIGHTS = 33;

/** Lights evenly spaced on the logarithmic axis, both ends included. Shape: `count` values in lux, rising. */
export function logSpacedLux(range: LightRange, count: number): Float64Array {
  const lights = new Float64Array(count);
  for (let index = 0; index < count; index++)
    lights[index] = index === count - 1 ? range.maxLux : luxOfFraction(index / (count - 1), range);
  return lights;
}
