import type { LightRange } from '../../light/range';
import type { LightTrack } from './dayLight';

/** How long a light lasts, by where it lies on the light axis. */
export interface LightHours {
  readonly fromLux: number;
  readonly toLux: number;
  readonly hours: number;
}

/**
 * How many hours of a track lie in each of even steps of the light axis; what is darker or brighter than the axis counts at its ends.
 * @param count how many steps
 */
export function hoursAtLight(
  { seconds, lux }: LightTrack,
  { minLux, maxLux }: LightRange,
  count: number,
): readonly LightHours[] {
  const per = count / Math.log(maxLux / minLux);
  const totals = new Float64Array(count);
  for (let index = 1; index < seconds.length; index++) {
    const middle = Math.sqrt((lux[index - 1] ?? minLux) * (lux[index] ?? minLux));
    const at = Math.min(count - 1, Math.max(0, Math.floor(Math.log(middle / minLux) * per)));
    totals[at]! += (seconds[index] ?? 0) - (seconds[index - 1] ?? 0);
  }
  const edge = (index: number) => minLux * (maxLux / minLux) ** (index / count);
  return Array.from(totals, (total, index) => ({
    fromLux: edge(index),
    toLux: edge(index + 1),
    hours: total / 3600,
  }));
}

/**
 * How many hours of a track lie between two lights, its light going evenly by its logarithm from moment to moment.
 * @param fromLux 0 for no lower end @param toLux above it; `Infinity` for no upper end
 */
export function hoursBetween({ seconds, lux }: LightTrack, fromLux: number, toLux: number): number {
  const [from, to] = [Math.log(fromLux), Math.log(toLux)];
  let total = 0;
  for (let index = 1; index < seconds.length; index++) {
    const ends = [Math.log(lux[index - 1]!), Math.log(lux[index]!)] as const;
    const [low, high] = [Math.min(...ends), Math.max(...ends)];
    const share =
      high > low
        ? Math.max(0, Math.min(high, to) - Math.max(low, from)) / (high - low)
        : Number(low >= from && low < to);
    total += share * (seconds[index]! - seconds[index - 1]!);
  }
  return total / 3600;
}
