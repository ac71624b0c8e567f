import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findPeak } from './findPeak';

/** The highest that a search has seen, and how often it asked. */
function seen(f: (x: number) => number, ends: readonly [number, number], x: number, tolerance = 1e-4) {
  let [most, calls] = [f(x), 0];
  findPeak(
    (at) => {
      expect(at).toBeGreaterThan(ends[0]);
      expect(at).toBeLessThan(ends[1]);
      calls += 1;
      most = Math.max(most, f(at));
      return f(at);
    },
    ends,
    { x, value: f(x) },
    { tolerance, leastGain: 1e-6 },
  );
  return { most, calls };
}

describe('findPeak', () => {
  it('comes to the top of any hill that rises from both sides, steep on one of them or not', () => {
    const hill = fc.record({
      top: fc.double({ min: -0.4, max: 0.4, noNaN: true }),
      up: fc.double({ min: 0.3, max: 12, noNaN: true }),
      down: fc.double({ min: 0.3, max: 12, noNaN: true }),
    });
    fc.assert(
      fc.property(hill, ({ top, up, down }) => {
        // 1 at its top, falling off exponentially at two rates.
        const f = (x: number) =>
          (up + down) / (up * Math.exp(-down * (top - x)) + down * Math.exp(up * (top - x)));
        const { most, calls } = seen(f, [-0.5, 0.5], Math.abs(top) < 0.25 ? 0 : Math.sign(top) * 0.3);
        expect(most).toBeGreaterThan(1 - 2e-5);
        expect(calls).toBeLessThan(22);
      }),
      { numRuns: 500 },
    );
  });

  it('takes few steps on a smooth hill, and fewer on a plain', () => {
    const smooth = seen((x) => 2 - (x - 0.07) ** 2, [-0.5, 0.5], 0);
    expect(smooth.most).toBeCloseTo(2, 8);
    expect(smooth.calls).toBeLessThan(7);
    expect(seen(() => 3, [-1, 1], 0).calls).toBeLessThan(8);
  });

  it('comes to an end beside a cliff', () => {
    const { most, calls } = seen((x) => (x > 0.2 ? 0 : 1 + x), [-0.5, 0.5], 0);
    expect(most).toBeGreaterThan(1.19);
    expect(calls).toBeLessThan(30);
  });
});
