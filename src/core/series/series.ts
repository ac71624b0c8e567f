import { assert, at } from '../result';

export const seriesNames = ['E6', 'E12', 'E24', 'E96'] as const;
export type SeriesName = (typeof seriesNames)[number];

/** IEC 60063 preferred numbers, one decade. Shape: as many values in [1, 10) as the name says. */
export const seriesValues: Readonly<Record<SeriesName, readonly number[]>> = {
  E6: [1, 1.5, 2.2, 3.3, 4.7, 6.8],
  E12: [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2],
  E24: [
    1, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2, 2.2, 2.4, 2.7, 3, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5,
    8.2, 9.1,
  ],
  // From E48 on the numbers follow the geometric rule to three digits.
  E96: Array.from({ length: 96 }, (_, index) => Number((10 ** (index / 96)).toFixed(2))),
};

/** The tolerance that resistors of a series usually have, as a share. */
export const defaultTolerance: Readonly<Record<SeriesName, number>> = {
  E6: 0.2,
  E12: 0.1,
  E24: 0.05,
  E96: 0.01,
};

export interface Neighbours {
  /** The largest preferred value at or below. */
  readonly below: number;
  /** The smallest preferred value at or above. */
  readonly above: number;
}

/**
 * The preferred values on either side of a value; both the same when it is one itself (to 1 part in 10⁹).
 * @param value above 0, in any unit
 * @example neighbours(15600, 'E12') // { below: 15000, above: 18000 }
 * @example neighbours(15600, 'E96') // { below: 15400, above: 15800 }
 */
export function neighbours(value: number, series: SeriesName): Neighbours {
  assert(value > 0 && Number.isFinite(value), 'neighbours wants a positive value');
  const decade = Math.floor(Math.log10(value) + 1e-12);
  const digits = [...seriesValues[series], 10];
  const scaled = value / 10 ** decade;
  const belowIndex = digits.findLastIndex((digit) => digit <= scaled * (1 + 1e-9));
  const aboveIndex = digits.findIndex((digit) => digit >= scaled * (1 - 1e-9));
  const real = (index: number) => Number(`${at(digits, Math.max(0, index))}e${decade}`);
  return { below: real(belowIndex), above: real(aboveIndex) };
}
