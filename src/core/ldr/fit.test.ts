import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import checks from '../checkFigures.json';
import { fitPowerLaw } from './fit';

describe('fitPowerLaw', () => {
  it('agrees with the check figures', () => {
    for (const row of checks.fit) {
      const fitted = fitPowerLaw(row.points);
      if (!fitted.ok) throw new Error(fitted.reason);
      const { curve, gammaStdError, residualStd } = fitted.fit;
      expect(Math.abs(curve.r10Ohms / row.r10 - 1)).toBeLessThan(1e-3);
      expect(Math.abs(curve.gamma / row.gamma - 1)).toBeLessThan(1e-3);
      expect(Math.abs((gammaStdError ?? 0) / row.gammaStdError - 1)).toBeLessThan(1e-3);
      expect(Math.abs((residualStd ?? 0) / row.residualStd - 1)).toBeLessThan(1e-3);
    }
  });

  it('finds any exact power law again, in whatever order it is read', () => {
    const law = fc.record({
      r10: fc.double({ min: 100, max: 1e6, noNaN: true }),
      gamma: fc.double({ min: 0.2, max: 1.5, noNaN: true }),
      lights: fc.uniqueArray(fc.integer({ min: 1, max: 100_000 }), { minLength: 2, maxLength: 20 }),
    });
    fc.assert(
      fc.property(law, ({ r10, gamma, lights }) => {
        fc.pre(Math.max(...lights) / Math.min(...lights) > 1.5);
        const fitted = fitPowerLaw(lights.map((lux) => ({ lux, ohms: r10 * (lux / 10) ** -gamma })));
        if (!fitted.ok) throw new Error(fitted.reason);
        expect(fitted.fit.curve.gamma).toBeCloseTo(gamma, 6);
        expect(fitted.fit.curve.r10Ohms / r10).toBeCloseTo(1, 5);
      }),
    );
  });

  it('has the errors of a straight line by least squares, of its slope and at 10 lx', () => {
    const fitted = fitPowerLaw(
      [5, 4.2, 3.7].map((lnOhms, x) => ({ lux: 10 * Math.exp(x), ohms: Math.exp(lnOhms) })),
    );
    if (!fitted.ok) throw new Error(fitted.reason);
    const { curve, residualStd, gammaStdError, lnR10StdError } = fitted.fit;
    expect(curve.gamma).toBeCloseTo(0.65, 9);
    expect(residualStd).toBeCloseTo(Math.sqrt(0.015), 9);
    expect(gammaStdError).toBeCloseTo(Math.sqrt(0.015 / 2), 9);
    expect(lnR10StdError).toBeCloseTo(Math.sqrt(0.015 * (1 / 3 + 1 / 2)), 9);
  });

  it('has no errors to tell from two readings', () => {
    const fitted = fitPowerLaw([
      { lux: 10, ohms: 10_000 },
      { lux: 100, ohms: 2000 },
    ]);
    expect(fitted).toMatchObject({
      ok: true,
      fit: { gammaStdError: null, lnR10StdError: null, residualStd: null },
    });
    if (fitted.ok) expect(fitted.fit.curve.gamma).toBeCloseTo(Math.log10(5), 12);
  });

  it('says what is missing or wrong', () => {
    expect(fitPowerLaw([])).toEqual({ ok: false, reason: 'no-readings' });
    expect(fitPowerLaw([{ lux: 10, ohms: 1000 }])).toEqual({ ok: false, reason: 'one-light' });
    expect(
      fitPowerLaw([
        { lux: 10, ohms: 1000 },
        { lux: 10, ohms: 1100 },
      ]),
    ).toEqual({ ok: false, reason: 'one-light' });
    expect(
      fitPowerLaw([
        { lux: 10, ohms: 1000 },
        { lux: 100, ohms: 9000 },
      ]),
    ).toEqual({ ok: false, reason: 'not-falling' });
  });
});
