/** Density of the standard normal distribution. */
export function normalDensity(z: number): number {
  return Math.exp(-0.5 * z * z) / Math.sqrt(2 * Math.PI);
}

/** Below this the upper tail is the whole, to the last digit that a double has. */
const CERTAIN = -9;

/**
 * `ln Q(z)`, the logarithm of the probability that a standard normal is above z. Continued fraction (Lentz) for the
 * upper tail, series for the middle; relative error under 1e-10 for |z| up to 30.
 */
export function lnUpperTail(z: number): number {
  if (z < CERTAIN) return 0;
  if (z > 2.5) return -0.5 * z * z - 0.5 * Math.log(2 * Math.PI) + Math.log(millsRatio(z));
  if (z < -2.5) return Math.log1p(-Math.exp(lnUpperTail(-z)));
  return Math.log(0.5 - centralArea(z));
}

/** `φ(z) / Q(z)`, the inverse Mills ratio: how hard a value known only to be above z pulls upwards. */
export function upperHazard(z: number): number {
  if (z < CERTAIN) return 0;
  return z > 2.5 ? 1 / millsRatio(z) : normalDensity(z) / Math.exp(lnUpperTail(z));
}

/** `Q(z)/φ(z)` for z above 2, by its continued fraction `1/(z + 1/(z + 2/(z + 3/(z + …))))`. */
function millsRatio(z: number): number {
  let tail = z;
  // Its error falls as exp(−2z·√(2k)): so many terms leave 1e-12.
  for (let k = 8 + Math.ceil(160 / (z * z)); k >= 1; k--) tail = z + k / tail;
  return 1 / tail;
}

/** Probability between 0 and z, by its Taylor series; |z| up to 3. */
function centralArea(z: number): number {
  let term = z;
  let total = z;
  for (let k = 1; Math.abs(term) > 1e-17 * Math.abs(total) && k < 120; k++) {
    term *= (-z * z) / (2 * k);
    total += term / (2 * k + 1);
  }
  return total / Math.sqrt(2 * Math.PI);
}
