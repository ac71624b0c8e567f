import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bestRange, meterOf, readingSigma, resolutionOhms, shippedMeters, topOhms } from './meter';

const manual = meterOf('manual-2000');

describe('a meter', () => {
  it('shows a resistance best on the lowest range that holds it', () => {
    expect(bestRange(manual, 1500)?.fullOhms).toBe(2000);
    expect(bestRange(manual, 1999)?.fullOhms).toBe(2000);
    expect(bestRange(manual, 2000)?.fullOhms).toBe(20_000);
    expect(bestRange(manual, 1.9e7)?.fullOhms).toBe(2e7);
    expect(bestRange(manual, 2.1e7)).toBeNull();
    expect(resolutionOhms(manual, { fullOhms: 20_000, accuracyShare: 0.01, accuracyDigits: 2 })).toBe(10);
  });

  it('is worse on a range too high, and worst among its last digits', () => {
    const [low, high] = [manual.ranges[2], manual.ranges[4]];
    if (!low || !high) throw new Error('ranges');
    expect(readingSigma(manual, high, 15_000)).toBeGreaterThan(5 * readingSigma(manual, low, 15_000));
    // 0.8 % + 2 digits of 10 Ω at 15 kΩ, as two standard deviations.
    expect(readingSigma(manual, low, 15_000)).toBeCloseTo((0.008 + 20 / 15_000) / 2, 12);
  });

  it('has rising ranges and a top, whichever it is', () => {
    for (const meter of shippedMeters) {
      const tops = meter.ranges.map((range) => range.fullOhms);
      expect(tops).toEqual([...tops].sort((one, other) => one - other));
      expect(topOhms(meter)).toBe(tops[tops.length - 1]);
    }
    fc.assert(
      fc.property(
        fc.constantFrom(...shippedMeters),
        fc.double({ min: 1, max: 1.5e7, noNaN: true }),
        (meter, ohms) => {
          const range = bestRange(meter, ohms);
          expect(range !== null && ohms < range.fullOhms).toBe(true);
        },
      ),
    );
  });
});
