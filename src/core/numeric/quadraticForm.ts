/** The variance of a sum of parameters, `gᵀ·C·g`. Shapes: p, and p × p row-major. */
export function quadraticForm(gradient: readonly number[], matrix: Float64Array): number {
  const p = gradient.length;
  let total = 0;
  for (let row = 0; row < p; row++) {
    for (let column = 0; column < p; column++) {
      total += gradient[row]! * matrix[row * p + column]! * gradient[column]!;
    }
  }
  return total;
}
