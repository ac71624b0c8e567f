import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lnUpperTail, normalDensity, upperHazard } from './normal';

describe('the normal distribution', () => {
  it.each([
    [0, 0.5],
    [1, 0.15865525393145707],
    [1.959963984540054, 0.025],
    [2.4, 0.008197535924596131],
    [2.6, 0.004661188023718732],
    [5, 2.866515718791946e-7],
    [-1, 0.8413447460685429],
    [-3, 0.9986501019683699],
  ])('has the tabled upper tail at %f', (z, tail) => {
    expect(Math.exp(lnUpperTail(z)) / tail).toBeCloseTo(1, 9);
  });

  it('keeps its tail far out, where the probability itself would be nothing', () => {
    expect(lnUpperTail(30)).toBeCloseTo(-454.3212439, 5);
    expect(Number.isFinite(lnUpperTail(-30))).toBe(true);
  });

  it('has density over tail as the slope of its log tail', () => {
    fc.assert(
      fc.property(fc.double({ min: -6, max: 12, noNaN: true }), (z) => {
        const slope = -(lnUpperTail(z + 1e-5) - lnUpperTail(z - 1e-5)) / 2e-5;
        expect(upperHazard(z)).toBeCloseTo(slope, 4);
      }),
    );
    expect(normalDensity(0)).toBeCloseTo(0.3989422804, 10);
  });
});
