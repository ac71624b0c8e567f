import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { eliminate, planElimination, reduce, substituteBack } from './elimination';
import { solveLinear } from './linear';

const SIZE = 7;
/** Conductances between seven nodes and from each to ground, most of them missing. */
const networks = fc.record({
  links: fc.array(
    fc.tuple(
      fc.nat({ max: SIZE - 1 }),
      fc.nat({ max: SIZE - 1 }),
      fc.double({ min: 0.01, max: 10, noNaN: true }),
    ),
    { maxLength: 14 },
  ),
  ground: fc.array(fc.double({ min: 0.01, max: 1, noNaN: true }), { minLength: SIZE, maxLength: SIZE }),
  into: fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: SIZE, maxLength: SIZE }),
  count: fc.nat({ max: SIZE }),
});
function system(links: readonly (readonly [number, number, number])[], ground: readonly number[]) {
  const matrix = new Float64Array(SIZE * SIZE);
  ground.forEach((siemens, node) => (matrix[node * SIZE + node]! += siemens));
  for (const [a, b, siemens] of links) {
    if (a === b) continue;
    matrix[a * SIZE + a]! += siemens;
    matrix[b * SIZE + b]! += siemens;
    matrix[a * SIZE + b]! -= siemens;
    matrix[b * SIZE + a]! -= siemens;
  }
  return matrix;
}

describe('taking unknowns out of a system', () => {
  it('leaves the solution what it is, however many are taken out', () => {
    fc.assert(
      fc.property(networks, ({ links, ground, into, count }) => {
        const [whole, right] = [system(links, ground), Float64Array.from(into)];
        expect(solveLinear(whole, right, SIZE)).toBe(true);
        const [matrix, vector] = [system(links, ground), Float64Array.from(into)];
        const plan = planElimination(
          SIZE,
          count,
          links.flatMap(([a, b]) => [a, b]),
        );
        expect(eliminate(plan, matrix, 0, count)).toBe(count);
        reduce(plan, matrix, vector, 0, count);
        const left = SIZE - count;
        const rest = new Float64Array(left * left);
        for (let row = 0; row < left; row++)
          for (let column = 0; column < left; column++)
            rest[row * left + column] = matrix[(row + count) * SIZE + column + count]!;
        const solution = new Float64Array(SIZE);
        const last = vector.slice(count);
        expect(solveLinear(rest, last, left)).toBe(true);
        solution.set(last, count);
        substituteBack(plan, matrix, vector, solution, count);
        solution.forEach((value, node) => expect(value).toBeCloseTo(right[node]!, 9));
      }),
    );
  });

  it('couples what hung on the one that is gone: a star becomes a ring', () => {
    const { starts, rows } = planElimination(4, 2, [0, 1, 0, 2, 0, 3]);
    expect([...rows.slice(starts[0], starts[1])]).toEqual([1, 2, 3]);
    expect([...rows.slice(starts[1], starts[2])]).toEqual([2, 3]);
  });

  it('counts nothing that leads to a place whose voltage is known', () => {
    expect([...planElimination(2, 2, [0, 5, 1, 4, 0, 1]).rows]).toEqual([1]);
  });

  it('says so where an unknown is bound to nothing', () => {
    const plan = planElimination(2, 2, []);
    expect(eliminate(plan, Float64Array.of(1, 0, 0, 0), 0, 2)).toBe(1);
    expect(eliminate(plan, Float64Array.of(1, 0, 0, NaN), 0, 2)).toBe(1);
  });

  it('solves any system whose own rows bind its unknowns, right-hand side and all, in as many goes as one likes', () => {
    fc.assert(
      fc.property(
        networks,
        fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 14, maxLength: 14 }),
        ({ links, ground, into, count }, gains) => {
          // What flows into a node by the voltage of another: not the same both ways.
          const matrix = system(links, ground);
          links.forEach(([a, b, siemens], at) => {
            if (a !== b) matrix[a * SIZE + b]! += 0.9 * siemens * gains[at]!;
          });
          const [whole, right] = [matrix.slice(), Float64Array.from(into)];
          expect(solveLinear(whole, right, SIZE)).toBe(true);
          const plan = planElimination(
            SIZE,
            SIZE,
            links.flatMap(([a, b]) => [a, b]),
          );
          const vector = Float64Array.from(into);
          expect(eliminate(plan, matrix, 0, count)).toBe(count);
          reduce(plan, matrix, vector, 0, count);
          expect(eliminate(plan, matrix, count, SIZE, vector)).toBe(SIZE);
          const solution = new Float64Array(SIZE);
          substituteBack(plan, matrix, vector, solution, SIZE);
          solution.forEach((value, node) =>
            expect(Math.abs(value - right[node]!)).toBeLessThan(1e-8 * (1 + Math.abs(right[node]!))),
          );
        },
      ),
      { seed: 3 },
    );
  });

  it('ends at an unknown that others bind a million times better than its own row', () => {
    const plan = planElimination(2, 2, [0, 1]);
    expect(eliminate(plan, Float64Array.of(1, 1, 0.9e6, 1), 0, 2)).toBe(2);
    expect(eliminate(plan, Float64Array.of(1, 1, 1.1e6, 1), 0, 2)).toBe(0);
    expect(eliminate(plan, Float64Array.of(1, 1, -1.1e6, 1), 0, 2)).toBe(0);
    expect(eliminate(plan, Float64Array.of(-1, 1, 0.9e6, 1), 0, 2)).toBe(2);
    expect(eliminate(plan, Float64Array.of(Infinity, 1, 1, 1), 0, 2)).toBe(0);
    // Whatever comes before it has been taken out.
    const chain = planElimination(3, 3, [0, 1, 1, 2]);
    const matrix = Float64Array.of(2, 1, 0, 1, 0.5, 1, 0, 1, 1);
    expect(eliminate(chain, matrix, 0, 3)).toBe(1);
    expect([...matrix]).toEqual([0.5, 1, 0, 1, 0, 1, 0, 1, 1]);
  });
});
