import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { neighbours, seriesValues } from './series';

describe('neighbours', () => {
  it('finds the values on either side', () => {
    expect(neighbours(15_600, 'E12')).toEqual({ below: 15_000, above: 18_000 });
    expect(neighbours(15_600, 'E24')).toEqual({ below: 15_000, above: 16_000 });
    expect(neighbours(9.5, 'E24')).toEqual({ below: 9.1, above: 10 });
    expect(neighbours(950_000, 'E12')).toEqual({ below: 820_000, above: 1_000_000 });
  });

  it('gives a preferred value as both its neighbours', () => {
    for (const digit of seriesValues.E24) {
      const value = Number(`${digit}e3`);
      expect(neighbours(value, 'E24')).toEqual({ below: value, above: value });
    }
  });

  it('brackets any value no wider than the series is spaced', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-3, max: 1e9, noNaN: true }), (value) => {
        const { below, above } = neighbours(value, 'E12');
        expect(below).toBeLessThanOrEqual(value * (1 + 1e-9));
        expect(above).toBeGreaterThanOrEqual(value * (1 - 1e-9));
        expect(above / below).toBeLessThan(1.26);
      }),
      { numRuns: 1000 },
    );
  });
});
