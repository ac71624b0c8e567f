import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { thinned, type CurvePoint } from './thinned';

const curve = (heights: readonly number[]): CurvePoint[] => heights.map((y, x) => ({ x, y }));
const asIs = (y: number) => y;

/** The height of straight lines through points at an x that lies among them. */
function heightAt(points: readonly CurvePoint[], x: number): number {
  const after = points.findIndex((point) => point.x >= x);
  const [from, to] = [points[after - 1], points[after]];
  if (!to) return NaN;
  if (!from || to.x === x) return to.y;
  return from.y + ((to.y - from.y) * (x - from.x)) / (to.x - from.x);
}

describe('a thinned curve', () => {
  it('passes every point that it leaves out within the tolerance, and keeps both ends', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 20, noNaN: true }), { minLength: 1, maxLength: 60 }),
        (heights) => {
          const points = curve(heights);
          const kept = thinned(points, asIs, 3);
          expect(kept[0]).toEqual(points[0]);
          expect(kept.at(-1)).toEqual(points.at(-1));
          for (const { x, y } of points)
            expect(Math.abs(heightAt(kept, x) - y)).toBeLessThanOrEqual(3 + 1e-9);
        },
      ),
    );
  });

  it('makes two points of a straight line, and does not round off a step', () => {
    expect(thinned(curve([1, 2, 3, 4, 5]), asIs, 0.3)).toEqual([
      { x: 0, y: 1 },
      { x: 4, y: 5 },
    ]);
    expect(thinned(curve([0, 0, 0, 9, 9, 9]), asIs, 0.3).map(({ x }) => x)).toEqual([0, 2, 3, 5]);
  });

  it('keeps a gap as a gap', () => {
    const kept = thinned(curve([NaN, 1, 1, 1, NaN, NaN, 2, 2, 2, NaN]), asIs, 0.3);
    expect(kept.map(({ y }) => y)).toEqual([1, 1, NaN, 2, 2, NaN]);
  });
});
