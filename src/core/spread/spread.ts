import { memoize } from '../memoize';
import { normals, uniforms } from '../numeric/random';
import type { Project } from '../project/project';
import type { Ok, Refused } from '../result';
import { sizeDesign } from '../size/sized';
import { BuildBench } from './bench';
import { factorsOf, type Factor, type SpreadOptions } from './factors';

/** So many builds have one stream of chance: whoever works them out, and in which order, they are the same. */
export const CHUNK = 250;

/** Built circuits, one after another. Shape: builds; of `draws` builds × factors. */
export interface Builds {
  /** Lights in lx; NaN where a build never switches. */
  readonly onLux: Float64Array;
  readonly offLux: Float64Array;
  /** 1 where its load is fully on. */
  readonly driven: Uint8Array;
  /** 1 where its trimmer can be set to the goal. */
  readonly settable: Uint8Array;
  readonly draws: Float32Array;
}

/** A part of a run: the chunks from one to before another. */
export interface Part {
  readonly fromChunk: number;
  readonly toChunk: number;
}

export type SpreadRun =
  | Ok<{ readonly builds: Builds; readonly factors: readonly Factor[] }>
  | Refused<'not-converged'>;

export const chunksOf = ({ builds }: Pick<SpreadOptions, 'builds'>) => Math.ceil(builds / CHUNK);

/** The bench of a project, made once for all chunks of a run. */
const benchOf = memoize((project: Project, options: SpreadOptions) => {
  const sized = sizeDesign(project);
  if (!sized.ok) return null;
  const factors = factorsOf(project, sized.design, options);
  return { bench: new BuildBench(project, sized.design, factors), factors };
});

/**
 * Builds a project's circuit many times over. The same seed gives the same builds to the last bit, in one part or in many.
 * @param part which chunks; all where it is not said
 */
export function runSpread(
  project: Project,
  options: SpreadOptions,
  part: Part = { fromChunk: 0, toChunk: chunksOf(options) },
  onProgress: (share: number) => void = () => undefined,
): SpreadRun {
  const made = benchOf(project, options);
  if (!made) return { ok: false, reason: 'not-converged' };
  const { bench, factors } = made;
  const first = part.fromChunk * CHUNK;
  const count = Math.max(0, Math.min(options.builds, part.toChunk * CHUNK) - first);
  const builds: Builds = {
    onLux: new Float64Array(count),
    offLux: new Float64Array(count),
    driven: new Uint8Array(count),
    settable: new Uint8Array(count),
    draws: new Float32Array(count * factors.length),
  };
  const draws = new Float64Array(factors.length);
  for (let chunk = part.fromChunk; chunk < part.toChunk; chunk++) {
    const [uniform, normal] = [uniforms(options.seed, 2 * chunk), normals(options.seed, 2 * chunk + 1)];
    for (let index = chunk * CHUNK; index < Math.min(options.builds, (chunk + 1) * CHUNK); index++) {
      const at = index - first;
      factors.forEach(({ isNormal }, of) => {
        draws[of] = isNormal ? normal() : 2 * uniform() - 1;
        builds.draws[at * factors.length + of] = draws[of] ?? 0;
      });
      const { onLux, offLux, isDriven, canBeSet } = bench.build(draws);
      builds.onLux[at] = onLux;
      builds.offLux[at] = offLux;
      builds.driven[at] = Number(isDriven);
      builds.settable[at] = Number(canBeSet);
    }
    onProgress((chunk + 1 - part.fromChunk) / (part.toChunk - part.fromChunk));
  }
  return { ok: true, builds, factors };
}

/** Pairs of builds that tell the total shares: each with one factor of the other. */
const PAIRS = 1000;

/**
 * Total Sobol shares: what would be left of the variance of ln lx if only that factor were left free, with all that it makes
 * together with others (Jansen 1999: `½·mean (f(A) − f(A with B's i))² / variance`).
 *
 * @returns one for each factor; `null` where too few of the builds switch
 */
export function totalShares(project: Project, options: SpreadOptions): readonly number[] | null {
  const made = benchOf(project, options);
  if (!made) return null;
  const { bench, factors } = made;
  const uniform = uniforms(options.seed, TOTALS_STREAM);
  const normal = normals(options.seed, TOTALS_STREAM + 1);
  const draw = () => Float64Array.from(factors, ({ isNormal }) => (isNormal ? normal() : 2 * uniform() - 1));
  const valueOf = (draws: Float64Array) => {
    const { onLux, offLux } = bench.build(draws);
    return Math.log(bench.goalEnd === 'off' ? offLux : onLux);
  };
  const values: number[] = [];
  const squares = factors.map(() => 0);
  for (let pair = 0; pair < PAIRS; pair++) {
    const [one, other] = [draw(), draw()];
    const value = valueOf(one);
    const mixed = factors.map((_, of) => {
      const changed = one.slice();
      changed[of] = other[of] ?? 0;
      return valueOf(changed);
    });
    if ([value, ...mixed].some((each) => !Number.isFinite(each))) continue;
    values.push(value);
    mixed.forEach((each, of) => {
      squares[of]! += (each - value) ** 2;
    });
  }
  if (values.length < PAIRS / 4) return null;
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const variance = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1);
  if (variance <= 0) return null;
  return squares.map((sum) => sum / (2 * values.length * variance));
}

/** Streams of chance that no chunk has. */
const TOTALS_STREAM = 2000;

/** Parts of one run put together, in order. */
export function joined(parts: readonly Builds[]): Builds {
  const floats = (key: 'onLux' | 'offLux') => Float64Array.from(parts.flatMap((part) => [...part[key]]));
  return {
    onLux: floats('onLux'),
    offLux: floats('offLux'),
    driven: Uint8Array.from(parts.flatMap((part) => [...part.driven])),
    settable: Uint8Array.from(parts.flatMap((part) => [...part.settable])),
    draws: Float32Array.from(parts.flatMap((part) => [...part.draws])),
  };
}
