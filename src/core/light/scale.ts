/**
 * What a project's lights are told in. Inside the core a light is always a number above 0 on a logarithmic axis, called
 * lux throughout; on a scale other than lux it is that scale's own figure.
 *
 * - `lux`: illuminance.
 * - `relative`: multiples of the ladder lamp's light at 1 m. One lux reading turns it into lux.
 * - `ohms`: no light figure at all. A light stands for the resistance that {@link LdrCurve} `NAMED_CURVE` has there, and is told as
 *   that resistance.
 */
export type LightScale = 'lux' | 'relative' | 'ohms';

/** The slope that is taken where nothing tells it, and how far off it may be (one standard deviation). */
export const ASSUMED_GAMMA = 0.7;
export const ASSUMED_GAMMA_STD = 0.15;

/** Where two lights differ by less than this ratio they count as the same. */
export const SAME_LIGHT_RATIO = 1.001;
