import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fractionOfLux, lightRangeFor, logSpacedLux, luxOfFraction, USUAL_LIGHT } from './range';

describe('the light axis', () => {
  it('stays the usual one for usual lights', () => {
    expect(lightRangeFor([12, 40_000])).toEqual(USUAL_LIGHT);
  });

  it('grows by whole decades for a light beyond it', () => {
    expect(lightRangeFor([0.05])).toEqual({ leastLux: 0.01, mostLux: 100_000 });
    expect(lightRangeFor([0.1])).toEqual({ leastLux: 0.01, mostLux: 100_000 });
    expect(lightRangeFor([90_000])).toEqual({ leastLux: 0.1, mostLux: 1e6 });
  });

  it('places a light and finds it again', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 1e5, noNaN: true }), (lux) => {
        expect(luxOfFraction(fractionOfLux(lux, USUAL_LIGHT), USUAL_LIGHT) / lux).toBeCloseTo(1, 9);
      }),
    );
  });

  it('spaces lights evenly from end to end', () => {
    const lights = logSpacedLux(USUAL_LIGHT, 7);
    expect([...lights].map((lux) => Number(lux.toPrecision(9)))).toEqual([
      0.1, 1, 10, 100, 1000, 10_000, 100_000,
    ]);
  });
});
