import { solveLinear } from '../numeric/linear';
import type { Factor } from '../spread/factors';
import { errorOf, rowOf, type TestBench } from '../faults/predict';
import type { Answer } from '../faults/probe';

/** What a build's own measurements say of one thing that differs from build to build. */
export interface Sharpened {
  readonly factor: Factor;
  /** In draws: 0 with a deviation of `priorStd` before anything was measured. */
  readonly mean: number;
  readonly std: number;
  readonly priorStd: number;
}

/** One deviation of an even draw from −1 to 1. */
const EVEN_STD = 1 / Math.sqrt(3);

/**
 * What measurements of a sound build say of what it was built from: Bayes' rule for a circuit that is taken as straight about where
 * every factor is in its middle, each figure's slope with each factor found from the draws (Kalman's update).
 *
 * @param bench with many more draws than factors
 * @returns one for each factor; `null` where nothing that was measured hangs on any
 */
export function sharpened(bench: TestBench, answers: readonly Answer[]): readonly Sharpened[] | null {
  const measured = answers.filter(({ probe }) => probe.kind === 'volts' || probe.kind === 'amps');
  if (measured.length === 0) return null;
  const { factors } = bench.setup;
  const size = factors.length + bench.lights.length;
  const prior = Array.from({ length: size }, (_, at) => ((factors[at]?.isNormal ?? true) ? 1 : EVEN_STD));
  const rows = rowOf(
    bench,
    { fault: { kind: 'healthy' } },
    measured.map(({ probe }) => probe),
  );
  const slopes = rows.map((row) => slopesOf(row, bench, size));
  const count = measured.length;
  // S = H·P·Hᵀ + R, then for each factor its share of what was found beyond what was expected.
  const spread = (one: Float64Array, other: Float64Array) =>
    prior.reduce((sum, std, at) => sum + (one[at] ?? 0) * std * std * (other[at] ?? 0), 0);
  const expected = rows.map((row, at) => middleOf(row, bench, slopes[at]));
  if (expected.some(Number.isNaN)) return null;
  const covariance = measured.map(({ probe }, row) =>
    measured.map((_, column) => {
      const [one, other] = [slopes[row], slopes[column]];
      const own =
        row === column
          ? errorOf(bench, probe, expected[row] ?? 0) ** 2 + restOf(rows[row], bench, slopes[row])
          : 0;
      return (one && other ? spread(one, other) : 0) + own;
    }),
  );
  const beyond = measured.map(({ value }, at) => value - (expected[at] ?? 0));
  const solved = solveFor(covariance, beyond);
  if (!solved) return null;
  return factors
    .map((factor, at) => {
      const std = prior[at] ?? 1;
      const gain = slopes.map((slope) => std * std * (slope[at] ?? 0));
      const mean = gain.reduce((sum, each, index) => sum + each * (solved[index] ?? 0), 0);
      const explained = solveFor(covariance, gain);
      const variance =
        std * std - gain.reduce((sum, each, index) => sum + each * (explained?.[index] ?? 0), 0);
      return { factor, mean, std: Math.sqrt(Math.max(1e-9, variance)), priorStd: std };
    })
    .slice(0, count > 0 ? factors.length : 0);
}

/** A figure's slope with each factor: least squares over the draws. Shape: factors and lights */
function slopesOf(row: Float64Array, { draws }: TestBench, size: number): Float64Array {
  const matrix = new Float64Array(size * size);
  const vector = new Float64Array(size);
  const [nominal = 0] = row;
  const [first] = draws;
  const away = new Float64Array(size);
  draws.forEach((draw, at) => {
    const by = (row[at] ?? NaN) - nominal;
    if (Number.isNaN(by)) return;
    for (let one = 0; one < size; one++) away[one] = (draw[one] ?? 0) - (first?.[one] ?? 0);
    for (let one = 0; one < size; one++) {
      vector[one]! += away[one]! * by;
      for (let other = 0; other < size; other++) matrix[one * size + other]! += away[one]! * away[other]!;
    }
  });
  for (let at = 0; at < size; at++) matrix[at * size + at]! += 1e-6;
  return solveLinear(matrix, vector, size) ? vector : new Float64Array(size);
}

/** A figure in the build in which every factor is in the middle of its spread, as the slopes have it from the nominal one. */
function middleOf(
  row: Float64Array,
  { draws }: Pick<TestBench, 'draws'>,
  slopes: Float64Array | undefined,
): number {
  const [first] = draws;
  const [nominal = NaN] = row;
  return (slopes ?? new Float64Array(0)).reduce(
    (sum, slope, at) => sum - slope * (first?.[at] ?? 0),
    nominal,
  );
}

/** What of a figure's spread its slopes do not tell: it is as good as noise. */
function restOf(
  row: Float64Array | undefined,
  { draws }: TestBench,
  slopes: Float64Array | undefined,
): number {
  if (!row || !slopes) return 0;
  const middle = middleOf(row, { draws }, slopes);
  let [squares, count] = [0, 0];
  draws.forEach((draw, at) => {
    const told = slopes.reduce((sum, slope, each) => sum + slope * (draw[each] ?? 0), 0);
    const left = (row[at] ?? NaN) - middle - told;
    if (Number.isNaN(left)) return;
    squares += left * left;
    count += 1;
  });
  return count > 0 ? squares / count : 0;
}

function solveFor(matrix: readonly (readonly number[])[], vector: readonly number[]): Float64Array | null {
  const size = vector.length;
  const flat = Float64Array.from(matrix.flat());
  const solution = Float64Array.from(vector);
  return solveLinear(flat, solution, size) ? solution : null;
}
