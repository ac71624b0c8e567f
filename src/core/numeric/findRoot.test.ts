import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findRoot } from './findRoot';

describe('findRoot', () => {
  it('finds the zero of any rising curve between its ends', () => {
    const curve = fc.record({
      root: fc.double({ min: -50, max: 50, noNaN: true }),
      steepness: fc.double({ min: 0.01, max: 40, noNaN: true }),
    });
    fc.assert(
      fc.property(curve, ({ root, steepness }) => {
        const found = findRoot((x) => Math.tanh((x - root) * steepness) + 0.01 * (x - root), -60, 60, {
          tolerance: 1e-9,
        });
        if (!found.ok) throw new Error(found.reason);
        expect(Math.abs(found.x - root)).toBeLessThan(1e-8);
      }),
      { numRuns: 500 },
    );
  });

  it('takes few steps on a smooth curve', () => {
    let calls = 0;
    const found = findRoot(
      (x) => {
        calls += 1;
        return Math.exp(x) - 5;
      },
      -10,
      10,
      { tolerance: 1e-12 },
    );
    expect(found.ok && found.x).toBeCloseTo(Math.log(5), 10);
    expect(calls).toBeLessThan(25);
  });

  it('takes an end that is itself the zero, and says where there is none', () => {
    expect(findRoot((x) => x, 0, 5, { tolerance: 1e-9 })).toEqual({ ok: true, x: 0 });
    expect(findRoot((x) => x, -5, 0, { tolerance: 1e-9 })).toEqual({ ok: true, x: 0 });
    expect(findRoot((x) => x * x + 1, -5, 5, { tolerance: 1e-9 })).toEqual({
      ok: false,
      reason: 'no-crossing',
    });
  });
});
