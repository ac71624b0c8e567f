import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checked } from '../schema';
import {
  bestRange,
  meterOf,
  meterRefField,
  readingSigma,
  resolutionOhms,
  shippedMeters,
  topOhms,
  uncertaintyOhms,
  type Meter,
} from './meter';

const manual = meterOf('manual-2000');

const own: Meter = {
  id: 'own',
  name: 'Yellow one',
  counts: 4000,
  autoRange: false,
  inputOhms: 1e7,
  ranges: [
    { fullOhms: 400, accuracyShare: 0.01, accuracyDigits: 3 },
    { fullOhms: 4000, accuracyShare: 0.02, accuracyDigits: 5 },
  ],
};

describe('a meter that a document names', () => {
  const takes = (value: unknown) => checked(meterRefField, value, 'meter').ok;

  it('is one that ships, by its id, or an own one with all its figures', () => {
    for (const meter of shippedMeters) {
      expect(takes(meter.id)).toBe(true);
      expect(meterOf(meterRefOf(meter.id))).toBe(meter);
    }
    expect(takes(own)).toBe(true);
    expect(meterOf(own)).toBe(own);
    expect(takes('no-such-meter')).toBe(false);
    expect(takes({ ...own, counts: 4000.5 })).toBe(false);
    expect(takes(7)).toBe(false);
  });

  it('has ranges that rise, at least one', () => {
    const [low, high] = own.ranges;
    expect(takes({ ...own, ranges: [high, low] })).toBe(false);
    expect(takes({ ...own, ranges: [low, low] })).toBe(false);
    expect(takes({ ...own, ranges: [] })).toBe(false);
    expect(takes({ ...own, ranges: 'none' })).toBe(false);
    expect(takes({ ...own, ranges: [high] })).toBe(true);
  });

  it('is off by a share of the reading and some digits', () => {
    const [, high] = own.ranges;
    expect(high && uncertaintyOhms(own, high, 2000)).toBeCloseTo(0.02 * 2000 + 5 * 1, 9);
  });
});

const meterRefOf = (id: string) => {
  const found = checked(meterRefField, id, 'meter');
  if (!found.ok) throw new Error(id);
  return found.value;
};

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
