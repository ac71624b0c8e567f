import { describe, expect, it } from 'vitest';
import { studentT975, studentTail } from './studentT';

describe('Student’s t', () => {
  it('has the 97.5 % points of the standard table', () => {
    expect([1, 2, 5, 10, 30, 120].map((degrees) => Number(studentT975(degrees).toFixed(3)))).toEqual([
      12.706, 4.303, 2.571, 2.228, 2.042, 1.98,
    ]);
  });

  it('leaves a twentieth outside those, either way', () => {
    for (const degrees of [1, 3, 9, 40]) {
      expect(studentTail(studentT975(degrees), degrees)).toBeCloseTo(0.05, 9);
      expect(studentTail(-studentT975(degrees), degrees)).toBeCloseTo(0.05, 9);
    }
    expect(studentTail(0, 4)).toBeCloseTo(1, 12);
  });
});
