import { notation, type DistanceUnit } from '../quantity/notation';
import type { Ok, Refused } from '../result';

/** From this many lamp diameters on, light falls with the square of the distance to better than 1 %. */
export const FAR_DIAMETERS = 10;
/** How well a hand sets a distance, in m (one standard deviation). */
export const DISTANCE_STD_METRES = 0.003;

export const METRES_PER_INCH = 0.0254;

/** Distances are planned to the nearest of these steps, in m: what one can set by a ruler in either unit. */
export const GRID_METRES: Readonly<Record<DistanceUnit, number>> = {
  metric: 0.005,
  inches: METRES_PER_INCH / 8,
};

/** Nearer than this nobody sets a lamp, in m. */
const NEAREST_METRES = 0.02;

export interface LadderPlan {
  /** From the nearest to the farthest, each one stop (half the light) further; shape: `stops` + 1. */
  readonly metres: readonly number[];
  /** The nearest rung lies nearer than {@link FAR_DIAMETERS} lamp diameters: its light is less than it should be. */
  readonly tooNear: boolean;
}

/** Light of a small lamp at a distance, in multiples of its light at 1 m (inverse square law). */
export function relativeLightAt(metres: number): number {
  return 1 / (metres * metres);
}

/**
 * Where a small lamp gives so much of its light at 1 m, in m, to the nearest 5 mm and from 2 cm on: the inverse of
 * {@link relativeLightAt}.
 * @param relative in multiples of the light at 1 m, above 0
 * @example distanceFor(4) // 0.5
 */
export function distanceFor(relative: number): number {
  return Math.max(NEAREST_METRES, toRulerMark(1 / Math.sqrt(relative), GRID_METRES.metric));
}

const toRulerMark = (metres: number, grid: number): number =>
  Number((Math.round(metres / grid) * grid).toPrecision(9));

/**
 * Distances for a ladder of light: each √2 further is one stop, half the light. Told to the nearest 5 mm, or ⅛ inch, as one can set.
 * @param nearestMetres the first rung, above 0
 * @param stops how many stops darker the last rung is, 1–14
 * @param lampMetres the lamp's largest dimension
 * @param unit of the ruler that they are set by
 * @example planLadder(0.25, 4, 0.02) // { metres: [0.25, 0.355, 0.5, 0.705, 1], tooNear: false }
 */
export function planLadder(
  nearestMetres: number,
  stops: number,
  lampMetres: number,
  unit: DistanceUnit = 'metric',
): LadderPlan {
  const metres = Array.from({ length: stops + 1 }, (_, stop) =>
    toRulerMark(nearestMetres * Math.SQRT2 ** stop, GRID_METRES[unit]),
  );
  return { metres, tooNear: nearestMetres < FAR_DIAMETERS * lampMetres };
}

export type DistanceRefusal = 'empty' | 'not-a-distance' | 'too-near' | 'too-far';

const FACTORS: Readonly<Record<string, number>> = {
  mm: 0.001,
  cm: 0.01,
  m: 1,
  in: METRES_PER_INCH,
  '"': METRES_PER_INCH,
  ft: 12 * METRES_PER_INCH,
};
/** What a bare figure is in. */
const BARE_UNIT: Readonly<Record<DistanceUnit, string>> = { metric: 'cm', inches: 'in' };

/** A distance with its unit, as a pattern. */
export const DISTANCE_UNITS = 'mm|cm|m|in|ft|"';
const DISTANCE = new RegExp(`^(\\d+(?:[.,]\\d*)?|[.,]\\d+)\\s*(${DISTANCE_UNITS}|)$`);

/**
 * A distance as people say it: `50` and `50 cm` are half a metre, as are `0.5 m` and `500mm`; `10 in`, `10"`
 * and `2 ft` are read too, and a bare figure is in inches where the page's distances are.
 * @example parseDistance('70,5') // { ok: true, metres: 0.705 }
 * @example parseDistance('0.5 m') // { ok: true, metres: 0.5 }
 */
export function parseDistance(text: string): Ok<{ metres: number }> | Refused<DistanceRefusal> {
  const typed = text.trim().toLowerCase();
  if (typed === '') return { ok: false, reason: 'empty' };
  const match = DISTANCE.exec(typed);
  if (!match) return { ok: false, reason: 'not-a-distance' };
  const [, figure = '', unit = ''] = match;
  const value =
    Number(figure.replace(',', '.')) * (FACTORS[unit === '' ? BARE_UNIT[notation().distance] : unit] ?? 1);
  const metres = Number(value.toPrecision(9));
  if (!(metres >= 0.005)) return { ok: false, reason: 'too-near' };
  return metres > 100 ? { ok: false, reason: 'too-far' } : { ok: true, metres };
}
