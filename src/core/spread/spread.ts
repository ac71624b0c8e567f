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
  Ok<{ readonly builds: Builds; readonly factors: readonly Factor[] }> | Refused<'not-converged'>;

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
