import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { invertPositive, solveLinear } from './linear';

describe('solveLinear', () => {
  it('finds the vector that the matrix was applied to', () => {
    const system = fc.integer({ min: 1, max: 9 }).chain((n) =>
      fc.record({
        n: fc.constant(n),
        entries: fc.array(fc.double({ min: -5, max: 5, noNaN: true }), {
          minLength: n * n,
          maxLength: n * n,
        }),
        x: fc.array(fc.double({ min: -100, max: 100, noNaN: true }), { minLength: n, maxLength: n }),
      }),
    );
    fc.assert(
      fc.property(system, ({ n, entries, x }) => {
        // A strong diagonal keeps the system far from singular, whatever the entries.
        const matrix = Float64Array.from(entries, (entry, i) => (i % (n + 1) === 0 ? entry + 60 : entry));
        const vector = Float64Array.from({ length: n }, (_, row) =>
          x.reduce((total, value, column) => total + value * (matrix[row * n + column] ?? 0), 0),
        );
        expect(solveLinear(matrix, vector, n)).toBe(true);
        x.forEach((value, i) => expect(vector[i]).toBeCloseTo(value, 8));
      }),
    );
  });

  it('exchanges rows where the diagonal is zero', () => {
    const vector = Float64Array.of(3, 5);
    expect(solveLinear(Float64Array.of(0, 1, 2, 0), vector, 2)).toBe(true);
    expect([...vector]).toEqual([2.5, 3]);
  });

  it('says that a singular matrix has no answer', () => {
    expect(solveLinear(Float64Array.of(1, 2, 2, 4), Float64Array.of(1, 2), 2)).toBe(false);
    expect(solveLinear(Float64Array.of(NaN), Float64Array.of(1), 1)).toBe(false);
  });
});

describe('the inverse of a positive definite matrix', () => {
  it('times the matrix is one, and its determinant is told', () => {
    const matrix = Float64Array.of(4, 2, 0.6, 2, 5, 1.5, 0.6, 1.5, 3);
    const inverse = matrix.slice();
    const ln = invertPositive(inverse, 3);
    for (let row = 0; row < 3; row++)
      for (let column = 0; column < 3; column++) {
        let sum = 0;
        for (let k = 0; k < 3; k++) sum += matrix[row * 3 + k]! * inverse[k * 3 + column]!;
        expect(sum).toBeCloseTo(row === column ? 1 : 0, 12);
      }
    // 4·(15 − 2.25) − 2·(6 − 0.9) + 0.6·(3 − 3) = 40.8
    expect(Math.exp(ln ?? 0)).toBeCloseTo(40.8, 10);
  });

  it('is none where it is not positive definite', () => {
    expect(invertPositive(Float64Array.of(1, 2, 2, 1), 2)).toBeNull();
  });
});
