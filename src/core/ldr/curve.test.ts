import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import checks from '../checkFigures.json';
import { ldrLuxAt, ldrOhmsAt, type LdrCurve } from './curve';

const anyCurve = fc.record({
  r10Ohms: fc.double({ min: 500, max: 2e5, noNaN: true }),
  gamma: fc.double({ min: 0.3, max: 1.2, noNaN: true }),
  darkOhms: fc.option(fc.double({ min: 5e5, max: 2e7, noNaN: true }), { nil: null }),
  brightOhms: fc.double({ min: 0, max: 200, noNaN: true }),
}) satisfies fc.Arbitrary<LdrCurve>;

describe('LDR curve', () => {
  it('agrees with the check figures, both ways', () => {
    for (const row of checks.ldr) {
      const curve = { r10Ohms: row.r10, gamma: row.gamma, darkOhms: row.dark, brightOhms: row.bright };
      expect(Math.abs(ldrOhmsAt(curve, row.lux) / row.ohms - 1)).toBeLessThan(1e-4);
      expect(Math.abs((ldrLuxAt(curve, row.ohms) ?? 0) / row.backLux - 1)).toBeLessThan(1e-4);
    }
  });

  it('falls with light', () => {
    fc.assert(
      fc.property(anyCurve, fc.double({ min: 0.01, max: 5e4, noNaN: true }), (curve, lux) => {
        expect(ldrOhmsAt(curve, lux * 1.05)).toBeLessThan(ldrOhmsAt(curve, lux));
      }),
    );
  });

  it('gives back the light it was asked at', () => {
    fc.assert(
      fc.property(anyCurve, fc.double({ min: 1, max: 2e3, noNaN: true }), (curve, lux) => {
        expect(Math.abs((ldrLuxAt(curve, ldrOhmsAt(curve, lux)) ?? 0) / lux - 1)).toBeLessThan(1e-9);
      }),
    );
  });

  it('says that no light gives a resistance beyond its floors', () => {
    const curve = { r10Ohms: 14_000, gamma: 0.7, darkOhms: 1e6, brightOhms: 60 };
    expect(ldrLuxAt(curve, 60)).toBeNull();
    expect(ldrLuxAt(curve, 30)).toBeNull();
    expect(ldrLuxAt(curve, 1.1e6)).toBeNull();
  });
});
