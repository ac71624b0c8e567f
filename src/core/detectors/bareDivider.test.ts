import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  bareMidVolts,
  branchOhms,
  ldrOhmsAtMid,
  ldrOhmsWithin,
  sourceOhms,
  type BareDivider,
} from './bareDivider';

const anyOhms = fc.double({ min: 2, max: 6, noNaN: true }).map((power) => 10 ** power);
const anyDivider: fc.Arbitrary<BareDivider> = fc.record({
  supplyVolts: fc.double({ min: 2, max: 24, noNaN: true }),
  lowVolts: fc.oneof(fc.constant(0), fc.double({ min: -15, max: -1, noNaN: true })),
  ldrSide: fc.constantFrom('top' as const, 'bottom' as const),
  fixedOhms: anyOhms,
  ldrParallelOhms: fc.option(anyOhms, { nil: null }),
  ldrSeriesOhms: fc.option(anyOhms, { nil: null }),
});

describe('a bare divider', () => {
  it('gives back the LDR that a midpoint came from, on either side, with anything beside it', () => {
    fc.assert(
      fc.property(anyDivider, anyOhms, (divider, ldrOhms) => {
        const volts = bareMidVolts(divider, ldrOhms);
        expect(volts).toBeGreaterThan(divider.lowVolts ?? 0);
        expect(volts).toBeLessThan(divider.supplyVolts);
        const branch = branchOhms(ldrOhms, divider);
        if (branch - (divider.ldrSeriesOhms ?? 0) < 1e-6 * branch) return;
        // A branch that hardly knows of its LDR cannot tell it back to many digits.
        const across = branch - (divider.ldrSeriesOhms ?? 0);
        const room = 1e-12 * (branch / across) * Math.max(1, ldrOhms / across) * 10;
        expect(Math.abs((ldrOhmsWithin(branch, divider) ?? NaN) / ldrOhms - 1)).toBeLessThan(room);
        const again = ldrOhmsAtMid(divider, volts);
        const ratio = Math.max(
          branch / divider.fixedOhms,
          divider.fixedOhms / branch,
          1 - (divider.lowVolts ?? 0),
        );
        expect(Math.abs((again ?? NaN) / ldrOhms - 1)).toBeLessThan(room * ratio * 1000);
      }),
      { numRuns: 2000 },
    );
  });

  it('has no LDR for a midpoint at a rail, or a branch that is all its series resistor', () => {
    const divider: BareDivider = {
      supplyVolts: 5,
      ldrSide: 'top',
      fixedOhms: 1000,
      ldrParallelOhms: null,
      ldrSeriesOhms: 500,
    };
    expect(ldrOhmsAtMid(divider, 0)).toBeNull();
    expect(ldrOhmsAtMid(divider, 5)).toBeNull();
    expect(ldrOhmsWithin(400, divider)).toBeNull();
    expect(ldrOhmsWithin(2000, { ldrParallelOhms: 1500, ldrSeriesOhms: null })).toBeNull();
  });

  it('is no stiffer than its smaller branch', () => {
    expect(sourceOhms({ fixedOhms: 1000, ldrParallelOhms: null, ldrSeriesOhms: null }, 1000)).toBe(500);
  });
});
