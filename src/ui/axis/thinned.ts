/** A point of a curve as a chart takes it. */
export interface CurvePoint {
  readonly x: number;
  readonly y: number;
}

/**
 * The fewest points, each taken as it comes, whose straight lines pass all others within a tolerance; where y is not a
 * number there is a gap.
 *
 * @param points in the order of x, which grows from one to the next.
 * @param heightOf where a y is drawn, in the unit of the tolerance (pixels, say).
 */
export function thinned(
  points: readonly CurvePoint[],
  heightOf: (y: number) => number,
  tolerance: number,
): CurvePoint[] {
  const kept: CurvePoint[] = [];
  let [anchor, last]: (CurvePoint | null)[] = [null, null];
  // Slopes from the anchor with which a line still passes all that was left out near enough.
  let [least, most, anchorHeight] = [-Infinity, Infinity, 0];
  const start = (point: CurvePoint) => {
    [anchor, anchorHeight, last, least, most] = [point, heightOf(point.y), null, -Infinity, Infinity];
    kept.push(point);
  };
  for (const point of points) {
    if (Number.isNaN(point.y)) {
      if (last) kept.push(last);
      if (anchor) kept.push(point);
      [anchor, last] = [null, null];
      continue;
    }
    if (!anchor) {
      start(point);
      continue;
    }
    const height = heightOf(point.y);
    const slopeTo = (to: number, from: CurvePoint) => (to - anchorHeight) / (point.x - from.x);
    const slope = slopeTo(height, anchor);
    if (last && (slope < least || slope > most)) start(last);
    last = point;
    least = Math.max(least, slopeTo(height - tolerance, anchor));
    most = Math.min(most, slopeTo(height + tolerance, anchor));
  }
  if (last) kept.push(last);
  return kept;
}
