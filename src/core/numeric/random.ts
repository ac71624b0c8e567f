import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

const SIZE = 2 ** 32;
/** A generator that starts from a small seed gives numbers near 0 and 1 at first. */
const WARM_UP = 32;

/**
 * Numbers from 0 up to 1, the same on every machine for the same seed and stream.
 * @param stream streams of one seed never meet: one for each worker, or for each thing that is drawn
 */
export function uniforms(seed: number, stream = 0): () => number {
  const generator = xoroshiro128plus(seed);
  for (let jump = 0; jump < stream; jump++) generator.jump();
  for (let i = 0; i < WARM_UP; i++) generator.next();
  return () => (generator.next() >>> 0) / SIZE;
}

/** Standard normal deviates from a seed (Box–Muller over {@link uniforms}). */
export function normals(seed: number, stream = 0): () => number {
  const uniform = uniforms(seed, stream);
  return () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
}
