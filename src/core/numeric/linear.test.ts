import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { solveLinear } from './linear';

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
