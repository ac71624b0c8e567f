import { describe, expect, it } from 'vitest';
import { normals } from '../numeric/random';
import { studentT975 } from '../numeric/studentT';
import { promised, runs } from '../testRuns';
import { ldrOhmsAt } from './curve';
import { fitErrors, ldrModelOf, ldrOhmsBand, lnOhmsBand, localSlope, luxBand, type LdrModel } from './model';
import { TYPICAL_GAMMA_SPREAD, TYPICAL_LDR, TYPICAL_R10_FACTOR } from './typical';

const readings = [
  { lux: 4, ohms: 5610 },
  { lux: 32, ohms: 1345 },
  { lux: 240, ohms: 331 },
  { lux: 4200, ohms: 45 },
].map((reading) => ({ ...reading, sigma: 0.03, above: false }));

describe('what is known of the LDR', () => {
  it('is the typical curve, said to be so, until two lights are known', () => {
    expect(ldrModelOf([])).toEqual({ source: 'typical', curve: TYPICAL_LDR, why: 'no-readings' });
    expect(ldrModelOf(readings.slice(0, 1))).toMatchObject({ source: 'typical', why: 'one-light' });
    expect(ldrModelOf(readings)).toMatchObject({ source: 'measured' });
  });

  it('is least sure far from the readings', () => {
    const model = ldrModelOf(readings);
    expect(lnOhmsBand(model, 0.1)).toBeGreaterThan(lnOhmsBand(model, 100));
    expect(lnOhmsBand(model, 1e5)).toBeGreaterThan(lnOhmsBand(model, 100));
    const { low, high } = ldrOhmsBand(model, 60);
    expect(low).toBeLessThan(ldrOhmsAt(model.curve, 60));
    expect(high * low).toBeCloseTo(ldrOhmsAt(model.curve, 60) ** 2, 3);
  });

  it('is far surer of a measured LDR than of a typical one', () => {
    const known = luxBand(ldrModelOf(readings), 60);
    const typical = luxBand(ldrModelOf([]), 60);
    expect(typical.high / typical.low).toBeGreaterThan(3);
    expect(known.high / known.low).toBeLessThan(typical.high / typical.low);
  });

  it('of a typical one is what parts sold as the same differ by: in R10 at 10 lx, and in γ besides elsewhere', () => {
    const typical = ldrModelOf([]);
    expect(lnOhmsBand(typical, 10)).toBeCloseTo(Math.log(TYPICAL_R10_FACTOR), 12);
    const away = TYPICAL_GAMMA_SPREAD * Math.log(1000 / 10);
    expect(lnOhmsBand(typical, 1000)).toBeCloseTo(Math.hypot(Math.log(TYPICAL_R10_FACTOR), away), 12);
    expect(lnOhmsBand(typical, 0.1)).toBeCloseTo(Math.hypot(Math.log(TYPICAL_R10_FACTOR), away), 12);
  });

  it('of one without figures of light is the curve itself', () => {
    const named: LdrModel = { source: 'named', curve: TYPICAL_LDR };
    expect(lnOhmsBand(named, 3)).toBe(0);
    expect(luxBand(named, 3)).toEqual({ low: 3, high: 3 });
  });

  it('takes Student’s t on the readings’ own degrees of freedom for what the fit found', () => {
    const model = ldrModelOf(readings);
    if (model.source !== 'measured') throw new Error(model.source);
    const { fit } = model;
    const errors = fitErrors(fit);
    expect(errors.gamma / fit.gammaStdError).toBeCloseTo(studentT975(fit.degrees), 9);
    expect(errors.lnR10 / fit.lnR10StdError).toBeCloseTo(studentT975(fit.degrees), 9);
  });

  it('counts the light meter’s own factor in true lux, and not in the lux of that meter', () => {
    const [exact, off] = [ldrModelOf(readings, { lightStd: 0 }), ldrModelOf(readings, { lightStd: 0.1 })];
    for (const lux of [5, 60, 2000]) {
      const own = lnOhmsBand(exact, lux);
      const slope = localSlope(off.curve, lux);
      expect(lnOhmsBand(off, lux, 'meter')).toBeCloseTo(own, 12);
      expect(lnOhmsBand(off, lux)).toBeCloseTo(Math.hypot(own, 1.96 * 0.1 * slope), 9);
      expect(luxBand(off, lux).high / lux).toBeCloseTo(Math.exp(lnOhmsBand(off, lux) / slope), 9);
      expect(luxBand(off, lux)).toEqual(luxBand(off, lux, 'true'));
      expect(ldrOhmsBand(off, lux)).toEqual(ldrOhmsBand(off, lux, 'true'));
      expect(luxBand(off, lux, 'meter').high).toBeLessThan(luxBand(off, lux).high);
    }
  });

  it('covers the true curve about 95 times in 100', () => {
    const normal = normals(12345);
    let covered = 0;
    const rounds = runs(2000, 5);
    for (let round = 0; round < rounds; round++) {
      const points = [2, 8, 30, 120, 500].map((lux) => ({
        lux,
        ohms: 12_000 * (lux / 10) ** -0.7 * Math.exp(0.06 * normal()),
        sigma: 0.06,
        above: false,
      }));
      const { low, high } = ldrOhmsBand(ldrModelOf(points), 40);
      const truth = 12_000 * 4 ** -0.7;
      if (low <= truth && truth <= high) covered += 1;
    }
    expect(covered / rounds).toBeGreaterThan(0.93);
    expect(covered / rounds).toBeLessThan(0.99);
    promised('the true curve in what is said of it', `${((100 * covered) / rounds).toFixed(1)} %`, '93–99 %');
  });
});
