import { describe, expect, it } from 'vitest';
import { normals } from '../numeric/random';
import { ldrOhmsAt } from './curve';
import { ldrModelOf, ldrOhmsBand, lnOhmsBand, luxBand } from './model';
import { TYPICAL_LDR } from './typical';

const readings = [
  { lux: 4, ohms: 5610 },
  { lux: 32, ohms: 1345 },
  { lux: 240, ohms: 331 },
  { lux: 4200, ohms: 45 },
].map((reading) => ({ ...reading, sigma: 0.03, above: false }));
import { promised, runs } from '../testRuns';

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
