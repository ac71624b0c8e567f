import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exp } from './exp';

describe('the exponential', () => {
  it('is the platform’s to the last digit or two, wherever that is a figure', () => {
    fc.assert(
      fc.property(fc.double({ min: -745, max: 709, noNaN: true }), (x) => {
        const its = Math.exp(x);
        // The least figures have fewer digits.
        expect(Math.abs(exp(x) - its)).toBeLessThanOrEqual(4e-16 * its + Number.MIN_VALUE);
      }),
      { numRuns: 20_000, seed: 1 },
    );
  });

  it('is exact where nothing is worked out, and as little as nothing or beyond all figures where it is that', () => {
    expect(exp(0)).toBe(1);
    expect([exp(-1000), exp(-Infinity), exp(1000), exp(Infinity)]).toEqual([0, 0, Infinity, Infinity]);
    expect(exp(NaN)).toBeNaN();
  });

  it('never falls from one step of the table to the next', () => {
    for (let part = -300; part <= 300; part++) {
      const edge = ((part + 0.5) / 128) * Math.LN2;
      for (let beside = -3; beside < 3; beside++)
        expect(exp(edge + (beside + 1) * 1e-12)).toBeGreaterThan(exp(edge + beside * 1e-12));
    }
  });
});
