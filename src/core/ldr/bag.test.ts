import { studentT975 } from '../numeric/studentT';
import { describe, expect, it } from 'vitest';
import { bagCurve, bagSpreadOf } from './bag';
import { lnOhmsBand, ldrModelOf } from './model';

const curve = (r10Ohms: number, gamma: number) => ({ r10Ohms, gamma, darkOhms: null, brightOhms: 0 });

describe('a bag of measured LDRs', () => {
  const three = () => {
    const found = bagSpreadOf([curve(10_000, 0.68), curve(12_000, 0.7), curve(14_400, 0.72)]);
    if (!found.ok) throw new Error(found.reason);
    return found.spread;
  };

  it('has a mean and a scatter of R10 and γ', () => {
    const spread = three();
    expect(Math.exp(spread.lnR10Mean)).toBeCloseTo(12_000, 6);
    expect(spread.lnR10Std).toBeCloseTo(Math.log(1.2), 12);
    expect(spread.gammaMean).toBeCloseTo(0.7, 12);
    expect(spread.gammaStd).toBeCloseTo(0.02, 12);
    expect(bagCurve(spread).gamma).toBeCloseTo(0.7, 12);
  });

  it('stands in for an LDR that has not been read, with its own spread in place of the typical one', () => {
    const spread = three();
    const model = ldrModelOf([], { bag: spread });
    expect(model).toMatchObject({ source: 'bag', why: 'no-readings' });
    // Student's t on two degrees of freedom: three LDRs tell a spread only roughly.
    expect(lnOhmsBand(model, 10)).toBeCloseTo(studentT975(2) * Math.log(1.2), 9);
    expect(lnOhmsBand(model, 1000)).toBeGreaterThan(lnOhmsBand(model, 10));
  });

  it('needs three, and no more', () => {
    expect(bagSpreadOf([curve(1, 1), curve(2, 1), curve(3, 1)])).toMatchObject({
      ok: true,
      spread: { count: 3 },
    });
    expect(bagSpreadOf([curve(1, 1), curve(2, 1)])).toEqual({ ok: false, reason: 'too-few', min: 3 });
  });
});
