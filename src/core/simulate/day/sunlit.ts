import { sunPosition } from '../../light/daylight';
import { DAY_SECONDS } from './dayLight';
import { midnightOf, type DaySettings } from './daySettings';

/** A stretch of a day, in seconds after midnight. */
interface Span {
  readonly from: number;
  readonly to: number;
}

/** When the sun is up, and from the first to the last of civil twilight; both at the day's end where that is never. */
export interface Sunlit {
  readonly sun: Span;
  readonly twilight: Span;
}

/** Civil twilight begins and ends with the sun so far under the horizon, in degrees. */
const TWILIGHT_DEGREES = -6;
/** So far apart the sun is looked for, in s. */
const STEP = 300;

/** Between which seconds of a day the sun is up, and its twilight lasts, to five minutes. */
export function sunlitOf(day: DaySettings): Sunlit {
  const midnight = midnightOf(day);
  const times = Array.from({ length: DAY_SECONDS / STEP + 1 }, (_, index) => index * STEP);
  const altitudes = times.map(
    (at) => sunPosition(midnight + at * 1000, day.latitude, day.longitude).altitude,
  );
  const span = (degrees: number): Span => {
    const first = altitudes.findIndex((altitude) => altitude > degrees);
    const last = altitudes.findLastIndex((altitude) => altitude > degrees);
    return first < 0
      ? { from: DAY_SECONDS, to: DAY_SECONDS }
      : { from: times[first] ?? 0, to: times[last] ?? 0 };
  };
  return { sun: span(0), twilight: span(TWILIGHT_DEGREES) };
}
