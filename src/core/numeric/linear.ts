/**
 * Solves `A·x = b` in place by Gaussian elimination with partial pivoting.
 *
 * @param matrix row-major n × n; destroyed
 * @param vector length n; holds the solution afterwards
 * @returns false where the matrix is singular
 */
export function solveLinear(matrix: Float64Array, vector: Float64Array, n: number): boolean {
  // A circuit's rows are mostly zeros: only where the pivot's row has something is there anything to take away.
  if (filled.length < n) filled = new Int32Array(n);
  for (let column = 0; column < n; column++) {
    let pivot = column;
    let largest = Math.abs(matrix[column * n + column]!);
    for (let row = column + 1; row < n; row++) {
      const size = Math.abs(matrix[row * n + column]!);
      if (size > largest) {
        largest = size;
        pivot = row;
      }
    }
    if (!(largest > 0) || !Number.isFinite(largest)) return false;
    if (pivot !== column) {
      swapRows(matrix, n, pivot, column);
      swapRows(vector, 1, pivot, column);
    }
    const inverse = 1 / matrix[column * n + column]!;
    let count = 0;
    for (let k = column + 1; k < n; k++) if (matrix[column * n + k] !== 0) filled[count++] = k;
    for (let row = column + 1; row < n; row++) {
      const factor = matrix[row * n + column]! * inverse;
      if (factor === 0) continue;
      for (let at = 0; at < count; at++) {
        const k = filled[at]!;
        matrix[row * n + k]! -= factor * matrix[column * n + k]!;
      }
      vector[row]! -= factor * vector[column]!;
    }
  }
  for (let row = n - 1; row >= 0; row--) {
    let value = vector[row]!;
    for (let k = row + 1; k < n; k++) value -= matrix[row * n + k]! * vector[k]!;
    vector[row] = value / matrix[row * n + row]!;
  }
  return true;
}

/** Columns of the pivot's row that are not zero; kept between calls. */
let filled = new Int32Array(16);

/** @param width of a row */
function swapRows(cells: Float64Array, width: number, one: number, other: number): void {
  for (let k = 0; k < width; k++) {
    const kept = cells[one * width + k]!;
    cells[one * width + k] = cells[other * width + k]!;
    cells[other * width + k] = kept;
  }
}

/**
 * Inverts a symmetric positive definite matrix in place (Gauss and Jordan, no pivoting needed).
 *
 * @param matrix row-major n × n; holds the inverse afterwards
 * @returns ln of its determinant; `null` where it is not positive definite, and the matrix is then spoilt
 */
export function invertPositive(matrix: Float64Array, n: number): number | null {
  let lnDeterminant = 0;
  for (let k = 0; k < n; k++) {
    const pivot = matrix[k * n + k]!;
    if (!(pivot > 0) || !Number.isFinite(pivot)) return null;
    lnDeterminant += Math.log(pivot);
    matrix[k * n + k] = 1;
    for (let column = 0; column < n; column++) matrix[k * n + column]! /= pivot;
    for (let row = 0; row < n; row++) {
      const factor = matrix[row * n + k]!;
      if (row === k || factor === 0) continue;
      matrix[row * n + k] = 0;
      for (let column = 0; column < n; column++)
        matrix[row * n + column]! -= factor * matrix[k * n + column]!;
    }
  }
  return lnDeterminant;
}
