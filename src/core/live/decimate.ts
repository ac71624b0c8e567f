import { bisectLeft } from 'd3-array';

/** A point of a picture: time in ms and a value. */
export interface PicturePoint {
  readonly x: number;
  readonly y: number;
}

/** The first index whose time is not before `time`; the length where none is. @param at rising */
export const indexAt = (at: Float64Array, time: number): number => bisectLeft(at, time);

/**
 * The points of a stretch, at most four for each of `columns` equal spans of time: first, least, most and last, in order
 * of time. So every spike stays in the picture, however many points there are.
 * @param at milliseconds, rising; same shape as `values`
 */
export function decimate(
  at: Float64Array,
  values: Float64Array,
  from: number,
  to: number,
  columns: number,
): readonly PicturePoint[] {
  const points: PicturePoint[] = [];
  const end = indexAt(at, to + 1e-9);
  const first = Math.max(0, indexAt(at, from) - 1);
  const last = Math.min(at.length, end + 1);
  const add = (index: number) => points.push({ x: at[index] ?? 0, y: values[index] ?? 0 });
  if (last - first <= 4 * columns) {
    for (let i = first; i < last; i++) add(i);
    return points;
  }
  const span = (to - from) / columns;
  let i = first;
  while (i < last) {
    const column = Math.floor(((at[i] ?? 0) - from) / span);
    const begin = i;
    let [min, max] = [i, i];
    while (i < last && Math.floor(((at[i] ?? 0) - from) / span) === column) {
      if ((values[i] ?? 0) < (values[min] ?? 0)) min = i;
      if ((values[i] ?? 0) > (values[max] ?? 0)) max = i;
      i++;
    }
    const kept = [...new Set([begin, min, max, i - 1])].sort((one, other) => one - other);
    for (const index of kept) add(index);
  }
  return points;
}

/**
 * Rate of change of the resistance, in % per minute, at evenly spaced times: the least-squares slope of ln R over a
 * window about each. No point where a window holds fewer than three figures.
 * @param above 1 where a value is only a limit: such points are left out
 */
export function ratesOver(
  at: Float64Array,
  ohms: Float64Array,
  above: Uint8Array,
  from: number,
  to: number,
  count: number,
  windowMs: number,
): readonly PicturePoint[] {
  const rates: PicturePoint[] = [];
  for (let step = 0; step < count; step++) {
    const middle = from + ((step + 0.5) * (to - from)) / count;
    const perMinute = rateAt(at, ohms, above, middle - windowMs / 2, middle + windowMs / 2);
    if (perMinute !== null) rates.push({ x: middle, y: perMinute });
  }
  return rates;
}

/** Rate of change of the resistance between two times, in % per minute; `null` with fewer than three figures. */
export function rateAt(
  at: Float64Array,
  ohms: Float64Array,
  above: Uint8Array,
  from: number,
  to: number,
): number | null {
  const [first, last] = [indexAt(at, from), indexAt(at, to)];
  // A long stretch is thinned: 400 points tell a slope as well as 40 000.
  const stride = Math.max(1, Math.floor((last - first) / 400));
  let [n, st, sy, stt, sty] = [0, 0, 0, 0, 0];
  for (let i = first; i < last; i += stride) {
    if (above[i] === 1) continue;
    const t = ((at[i] ?? 0) - from) / 60_000;
    const y = Math.log(ohms[i] ?? 1);
    n += 1;
    st += t;
    sy += y;
    stt += t * t;
    sty += t * y;
  }
  const spread = stt - (st * st) / n;
  if (n < 3 || !(spread > 0)) return null;
  return 100 * ((sty - (st * sy) / n) / spread);
}
