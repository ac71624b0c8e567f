import quantile from '@stdlib/stats-base-dists-t-quantile';
import { describe, expect, it } from 'vitest';
import { studentT975 } from './studentT';

describe('Student’s t', () => {
  it('has the 97.5 % points of the standard table', () => {
    expect([1, 2, 5, 10, 30, 120].map((degrees) => Number(studentT975(degrees).toFixed(3)))).toEqual([
      12.706, 4.303, 2.571, 2.228, 2.042, 1.98,
    ]);
  });

  it('agrees with the library to 1e-9, for every count of readings that a project holds', () => {
    for (let degrees = 1; degrees <= 2000; degrees++)
      expect(Math.abs(studentT975(degrees) - quantile(0.975, degrees)), `${degrees}`).toBeLessThan(1.1e-9);
  });
});
