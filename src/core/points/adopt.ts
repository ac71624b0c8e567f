import { eachOhms } from '../parts/kinds/resistor';
import { solveLinear } from '../numeric/linear';
import { normals, uniforms } from '../numeric/random';
import type { Factor } from '../spread/factors';
import { errorOf, type TestBench } from '../faults/predict';
import { rowOf } from '../faults/row';
import { OVER_OHMS, type Answer } from '../faults/probe';

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

/** Numbers by chance: evenly from 0 to 1, and normal with deviation 1. */
export interface Chance {
  readonly uniform: () => number;
  readonly normal: () => number;
}

/** What a build's factors are known to be, on each one's own scale, as its draws are. */
export interface Known {
  readonly factors: readonly Factor[];
  /** Where each lies most likely, and one deviation of it. Shape: factors */
  readonly mean: Float64Array;
  readonly std: Float64Array;
  /** A build that agrees with what is known, all its factors together. Shape: factors */
  readonly draw: (chance: Chance) => Float64Array;
}

const priorStd = (factor: Factor | undefined) => ((factor?.isNormal ?? true) ? 1 : EVEN_STD);
const drawOf = (factor: Factor | undefined, { uniform, normal }: Chance) =>
  (factor?.isNormal ?? true) ? normal() : 2 * uniform() - 1;

/** What is known before anything is measured. */
export const unmeasured = (factors: readonly Factor[]): Known => ({
  factors,
  mean: new Float64Array(factors.length),
  std: Float64Array.from(factors, priorStd),
  draw: (chance) => Float64Array.from(factors, (factor) => drawOf(factor, chance)),
});

/** What was found on the scale of the rows, where it says something of the factors: an LDR's resistance as ln Ω. */
function countedIn({ wiring }: TestBench, answers: readonly Answer[]): readonly Answer[] {
  return answers.flatMap((answer): Answer[] => {
    const { probe, value } = answer;
    if (probe.kind === 'volts' || probe.kind === 'amps') return [answer];
    const isLdr = probe.kind === 'ohms' && probe.designator === wiring.ldr;
    return isLdr && value < OVER_OHMS / 2 ? [{ probe, value: Math.log(Math.max(0.01, value)) }] : [];
  });
}

/** A resistor that was measured by itself. */
export interface Resistance {
  readonly designator: string;
  readonly ohms: number;
  /** As shares, one deviation: before it was measured, and after. */
  readonly stdBefore: number;
  readonly stdAfter: number;
}

/** A factor's own figure, on its scale, with one deviation. */
interface Direct {
  readonly at: number;
  readonly value: number;
  readonly std: number;
}

function directIn({ setup, assembly }: TestBench, resistances: readonly Resistance[]): readonly Direct[] {
  return resistances.flatMap(({ designator, ohms, stdAfter }): Direct[] => {
    const at = setup.factors.findIndex((one) => one.of === 'resistor' && one.designator === designator);
    const factor = setup.factors[at];
    const part = assembly.parts.find((each) => each.designator === designator);
    if (factor?.of !== 'resistor' || part?.kind !== 'resistor' || factor.tolerance <= 0) return [];
    return [{ at, value: (ohms / eachOhms(part) - 1) / factor.tolerance, std: stdAfter / factor.tolerance }];
  });
}

/** So many builds that agree with what was found say how the circuit goes there; and so often such builds are made anew. */
const NEAR_BUILDS = 96;
const NEAR_PASSES = 2;
const SEED = 23;

/**
 * What measurements of a sound build say of what it was built from: Bayes' rule for a circuit that is taken as straight (Kalman's
 * update), first over all that builds may be, then over those that agree with what was found: near them it is straighter.
 *
 * @param resistances resistors that were measured by themselves
 * @returns `null` where nothing was measured that hangs on any
 */
export function knownFrom(
  bench: TestBench,
  answers: readonly Answer[],
  resistances: readonly Resistance[] = [],
): Known | null {
  const measured = countedIn(bench, answers);
  const { factors } = bench.setup;
  const direct = directIn(bench, resistances);
  const rough = measured.length + direct.length > 0 ? straightened(bench, measured, direct) : null;
  if (!rough) return null;
  const chance = { uniform: uniforms(SEED), normal: normals(SEED, 1) };
  let found = rough;
  for (let pass = 0; pass < NEAR_PASSES; pass++) {
    const { mean, draw } = found;
    const near = Array.from({ length: NEAR_BUILDS }, (_, at) => (at === 0 ? mean : draw(chance)));
    found = straightened({ ...bench, draws: near }, measured, direct) ?? found;
  }
  const { mean, std, draw } = found;
  const own = (whole: Float64Array) => whole.slice(0, factors.length);
  return { factors, mean: own(mean), std: own(std), draw: (by) => own(draw(by)) };
}

/** The same with the circuit straight over the bench's draws; of the factors, then of the lights. */
function straightened(
  bench: TestBench,
  measured: readonly Answer[],
  direct: readonly Direct[],
): Omit<Known, 'factors'> | null {
  const { factors } = bench.setup;
  const size = factors.length + bench.lights.length;
  const each = Array.from({ length: size }, (_, at) => factors[at]);
  const prior = each.map(priorStd);
  const rows = rowOf(
    bench,
    { fault: { kind: 'healthy' } },
    measured.map(({ probe }) => probe),
  );
  const bent = rows.map((row) => slopesOf(row, bench, size));
  const slopes = [
    ...bent,
    ...direct.map(({ at }) => Float64Array.from(each, (_, one) => (one === at ? 1 : 0))),
  ];
  // S = H·P·Hᵀ + R, then for each factor its share of what was found beyond what was expected.
  const spread = (one: Float64Array, other: Float64Array) =>
    prior.reduce((sum, std, at) => sum + (one[at] ?? 0) * std * std * (other[at] ?? 0), 0);
  const expected = rows.map((row, at) => middleOf(row, bench, bent[at]));
  if (expected.some(Number.isNaN)) return null;
  const noises = [
    ...measured.map(
      ({ probe, value }, row) => errorOf(bench, probe, value) ** 2 + restOf(rows[row], bench, bent[row]),
    ),
    ...direct.map(({ std }) => std ** 2),
  ];
  const covariance = slopes.map((_, row) =>
    slopes.map((__, column) => {
      const [one, other] = [slopes[row], slopes[column]];
      return (one && other ? spread(one, other) : 0) + (row === column ? (noises[row] ?? 0) : 0);
    }),
  );
  const beyond = [
    ...measured.map(({ value }, at) => value - (expected[at] ?? 0)),
    ...direct.map(({ value }) => value),
  ];
  const solved = solveFor(covariance, beyond);
  if (!solved) return null;
  const gains = prior.map((std, at) => slopes.map((slope) => std * std * (slope[at] ?? 0)));
  const shares = gains.map((gain) => solveFor(covariance, gain));
  const times = (one: ArrayLike<number>, other: ArrayLike<number> | null) =>
    Array.from(one).reduce((sum, figure, index) => sum + figure * (other?.[index] ?? 0), 0);
  return {
    mean: Float64Array.from(gains, (gain) => times(gain, solved)),
    std: Float64Array.from(gains, (gain, at) =>
      Math.sqrt(Math.max(1e-9, (prior[at] ?? 1) ** 2 - times(gain, shares[at] ?? null))),
    ),
    // Any build, moved by what it would have shown otherwise than was found.
    draw: (chance) => {
      const any = Float64Array.from(each, (factor) => drawOf(factor, chance));
      const left = slopes.map((slope, at) => {
        const noise = Math.sqrt(noises[at] ?? 0) * chance.normal();
        return (beyond[at] ?? 0) - times(slope, any) - noise;
      });
      return Float64Array.from(each, (factor, at) => {
        const moved = (any[at] ?? 0) + times(left, shares[at] ?? null);
        return (factor?.isNormal ?? true) ? moved : Math.min(1, Math.max(-1, moved));
      });
    },
  };
}

/** The same factor by factor: where each lies, and how much closer it is known. @returns one for each factor */
export function sharpened(known: Known | null): readonly Sharpened[] | null {
  return (
    known &&
    known.factors.map((factor, at) => ({
      factor,
      mean: known.mean[at] ?? 0,
      std: known.std[at] ?? 0,
      priorStd: priorStd(factor),
    }))
  );
}

/** A figure's slope with each factor: least squares over the draws; none where these are too few to tell. Shape: factors and lights */
function slopesOf(row: Float64Array, { draws }: TestBench, size: number): Float64Array {
  const matrix = new Float64Array(size * size);
  const vector = new Float64Array(size);
  const [nominal = 0] = row;
  const [first] = draws;
  const away = new Float64Array(size);
  let count = 0;
  draws.forEach((draw, at) => {
    const by = (row[at] ?? NaN) - nominal;
    if (Number.isNaN(by)) return;
    count += 1;
    for (let one = 0; one < size; one++) away[one] = (draw[one] ?? 0) - (first?.[one] ?? 0);
    for (let one = 0; one < size; one++) {
      vector[one]! += away[one]! * by;
      for (let other = 0; other < size; other++) matrix[one * size + other]! += away[one]! * away[other]!;
    }
  });
  return count > size && solveLinear(matrix, vector, size) ? vector : new Float64Array(size);
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
  // As many of them as there are slopes are told by these whatever they are.
  return squares / Math.max(1, count - slopes.length);
}

function solveFor(matrix: readonly (readonly number[])[], vector: readonly number[]): Float64Array | null {
  const size = vector.length;
  const flat = Float64Array.from(matrix.flat());
  const solution = Float64Array.from(vector);
  return solveLinear(flat, solution, size) ? solution : null;
}
