/**
 * Probability that Student's t is further from 0 than `t`, on either side: the regularised incomplete beta function
 * `I_x(ν/2, ½)` with `x = ν/(ν + t²)`, by its continued fraction (Lentz).
 * @param degrees of freedom, above 0
 * @example studentTail(2.571, 5) // 0.0500
 */
export function studentTail(t: number, degrees: number): number {
  return incompleteBeta(degrees / (degrees + t * t), degrees / 2, 0.5);
}

function incompleteBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(a * Math.log(x) + b * Math.log1p(-x) - lnBeta(a, b));
  return x < (a + 1) / (a + b + 2)
    ? (front * continued(x, a, b)) / a
    : 1 - (front * continued(1 - x, b, a)) / b;
}

function continued(x: number, a: number, b: number): number {
  const tiny = 1e-300;
  let c = 1;
  let d = 1 / nonZero(1 - ((a + b) * x) / (a + 1), tiny);
  let result = d;
  for (let m = 1; m <= 300; m++) {
    for (const factor of [
      (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m)),
      (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1)),
    ]) {
      d = 1 / nonZero(1 + factor * d, tiny);
      c = nonZero(1 + factor / c, tiny);
      result *= d * c;
    }
    if (Math.abs(d * c - 1) < 1e-13) break;
  }
  return result;
}

const nonZero = (value: number, tiny: number) => (Math.abs(value) < tiny ? tiny : value);

function lnBeta(a: number, b: number): number {
  return lnGamma(a) + lnGamma(b) - lnGamma(a + b);
}

/** ln Γ(x) for x above 0, by Stirling's series after shifting x above 10. */
function lnGamma(x: number): number {
  let shift = 0;
  let z = x;
  for (; z < 10; z++) shift -= Math.log(z);
  const series = 1 / (12 * z) - 1 / (360 * z ** 3) + 1 / (1260 * z ** 5);
  return shift + (z - 0.5) * Math.log(z) - z + 0.5 * Math.log(2 * Math.PI) + series;
}
