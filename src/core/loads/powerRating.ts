import type { Ok, Refused } from '../result';

/** Power ratings that resistors are sold in, in W. */
export const RESISTOR_RATINGS_WATTS = [0.125, 0.25, 0.5, 1, 2, 5] as const;

/** A resistor should run at no more than this share of its rating, so that it stays cool to the touch. */
export const RATING_SHARE = 0.6;

/** The smallest rating that a resistor's heat uses at most 60 % of. */
export function resistorRatingFor(watts: number): Ok<{ watts: number }> | Refused<'above-all-ratings'> {
  const rating = RESISTOR_RATINGS_WATTS.find((candidate) => watts <= candidate * RATING_SHARE);
  return rating === undefined ? { ok: false, reason: 'above-all-ratings' } : { ok: true, watts: rating };
}
