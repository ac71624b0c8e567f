import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fractionOfLux, lightRangeFor, logSpacedLux, luxOfFraction, DEFAULT_LIGHT } from './range';

describe('the light axis', () => {
  it('stays the usual one for usual lights', () => {
    expect(lightRangeFor([12, 40_000])).toEqual(DEFAULT_LIGHT);
  });

  it('grows by whole decades for a light beyond it', () => {
    expect(lightRangeFor([0.05])).toEqual({ minLux: 0.01, maxLux: 100_000 });
    expect(lightRangeFor([0.1])).toEqual({ minLux: 0.01, maxLux: 100_000 });
    expect(lightRangeFor([90_000])).toEqual({ minLux: 0.1, maxLux: 1e6 });
  });

  it('places a light and finds it again', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 1e5, noNaN: true }), (lux) => {
        expect(luxOfFraction(fractionOfLux(lux, DEFAULT_LIGHT), DEFAULT_LIGHT) / lux).toBeCloseTo(1, 9);
      }),
    );
  });

  it('spaces lights evenly from end to end', () => {
    const lights = logSpacedLux(DEFAULT_LIGHT, 7);
    expect([...lights].map((lux) => Number(lux.toPrecision(9)))).toEqual([
      0.1, 1, 10, 100, 1000, 10_000, 100_000,
    ]);
  });
});
