/** The variance of a sum of parameters, `gᵀ·C·g`, or how two such sums vary together, `gᵀ·C·h`. Shapes: p, p × p row-major, and p. */
export function quadraticForm(
  gradient: readonly number[],
  matrix: Float64Array,
  other: readonly number[] = gradient,
): number {
  const p = gradient.length;
  let total = 0;
  for (let row = 0; row < p; row++) {
    for (let column = 0; column < p; column++) {
      total += gradient[row]! * matrix[row * p + column]! * other[column]!;
    }
  }
  return total;
}
