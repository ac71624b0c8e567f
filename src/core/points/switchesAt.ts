import { quantile } from 'd3-array';
import { normals, uniforms } from '../numeric/random';
import type { BuildBench } from '../spread/bench';
import type { Known } from './adopt';

/** Where a build turns on, in lx: most likely, and between which lights in 95 of 100. */
export interface KnownLight {
  readonly lux: number;
  readonly lowLux: number;
  readonly highLux: number;
}

/** So many builds that agree with what is known are made, always the same ones. */
const BUILDS = 300;
const SEED = 11;
/** Of so large a share of them a light must be found. */
const LEAST_FOUND = 0.99;
/** The place among so many, from 0 to 1, below which a 40th of all there are lies on average. */
const TAIL = (0.025 * (BUILDS + 1) - 1) / (BUILDS - 1);

/**
 * The light at which a build turns on as far as its factors are known, with all that hang together among them: what was measured of
 * a midpoint tells LDR and R1 together better than either.
 * @returns `null` where it never turns on, or where more than a few builds like it never do: what is said would hold for the others alone
 */
export function switchesAt(builds: Pick<BuildBench, 'turnsOnAt'>, known: Known): KnownLight | null {
  const lux = builds.turnsOnAt(known.mean);
  const chance = { uniform: uniforms(SEED), normal: normals(SEED, 1) };
  const found = Array.from({ length: BUILDS }, () => builds.turnsOnAt(known.draw(chance))).filter(
    Number.isFinite,
  );
  if (found.length < LEAST_FOUND * BUILDS) return null;
  const [lowLux, highLux] = [quantile(found, TAIL), quantile(found, 1 - TAIL)];
  return Number.isFinite(lux) && lowLux !== undefined && highLux !== undefined
    ? { lux, lowLux, highLux }
    : null;
}
