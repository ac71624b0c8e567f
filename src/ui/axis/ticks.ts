import { GAP } from '@/core/quantity/format';
import type { LightRange } from '@/core/light/range';

/** The decades of the axis, in lux. */
export function decadesOf({ leastLux, mostLux }: LightRange): readonly number[] {
  const from = Math.round(Math.log10(leastLux));
  const to = Math.round(Math.log10(mostLux));
  return Array.from({ length: to - from + 1 }, (_, index) => Number(`1e${from + index}`));
}

/** The 2, 3 … 9 between the decades. */
export function minorTicksOf(range: LightRange): readonly number[] {
  return decadesOf(range)
    .slice(0, -1)
    .flatMap((decade) => [2, 3, 4, 5, 6, 7, 8, 9].map((digit) => digit * decade));
}

/** A decade's figure: `0.1`, `10`, `1 k`. */
export function decadeLabel(lux: number): string {
  return lux >= 1000 ? `${lux / 1000}${GAP}k` : String(lux);
}

/** Round upper end for a scale from 0 that shows values up to `most`. */
export function niceCeiling(most: number): number {
  const decade = 10 ** Math.floor(Math.log10(most));
  const step = [1, 1.2, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10].find(
    (candidate) => candidate * decade >= most * 1.04,
  );
  return (step ?? 12) * decade;
}
