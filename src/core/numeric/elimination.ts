/** Which rows each unknown is coupled with when its turn comes; what is filled in on the way counts. */
export interface EliminationPlan {
  readonly size: number;
  /** The first so many unknowns are taken out. */
  readonly count: number;
  /** Unknown k's rows are `rows[starts[k]] … rows[starts[k + 1] − 1]`. Shape: count + 1. */
  readonly starts: Int32Array;
  readonly rows: Int32Array;
}

/**
 * Plans to take the first `count` unknowns out of a symmetric system, one after another.
 *
 * @param coupled pairs of places with something off the diagonal between them, those beyond `size` being known; shape: 2 × pairs
 */
export function planElimination(size: number, count: number, coupled: ArrayLike<number>): EliminationPlan {
  const isFilled = new Uint8Array(size * size);
  for (let pair = 0; pair < coupled.length; pair += 2) {
    const [one, other] = [coupled[pair]!, coupled[pair + 1]!];
    if (one < size && other < size) isFilled[one * size + other] = isFilled[other * size + one] = 1;
  }
  const starts = new Int32Array(count + 1);
  const rows: number[] = [];
  for (let k = 0; k < count; k++) {
    for (let row = k + 1; row < size; row++) if (isFilled[k * size + row]) rows.push(row);
    starts[k + 1] = rows.length;
    for (let at = starts[k]!; at < rows.length; at++)
      for (let along = starts[k]!; along < rows.length; along++)
        isFilled[rows[at]! * size + rows[along]!] = 1;
  }
  return { size, count, starts, rows: Int32Array.from(rows) };
}

/**
 * Takes the planned unknowns out of a system's matrix: what is left of it stands in the last `size − count` rows and columns.
 * Without pivoting, as suits a matrix of conductances, whose diagonal is never less than the rest of its row.
 *
 * @param matrix row-major size × size, symmetric in the planned rows; changed in place
 * @returns false where an unknown is bound to nothing
 */
export function eliminate(plan: EliminationPlan, matrix: Float64Array): boolean {
  const { size, count, starts, rows } = plan;
  for (let k = 0; k < count; k++) {
    const pivot = matrix[k * size + k]!;
    if (!(pivot > 0) || !Number.isFinite(pivot)) return false;
    const [from, to] = [starts[k]!, starts[k + 1]!];
    for (let at = from; at < to; at++) {
      const row = rows[at]!;
      const factor = matrix[k * size + row]! / pivot;
      if (factor === 0) continue;
      for (let along = from; along < to; along++) {
        const column = rows[along]!;
        matrix[row * size + column]! -= factor * matrix[k * size + column]!;
      }
    }
  }
  return true;
}

/**
 * Takes the same unknowns out of a right-hand side.
 *
 * @param matrix as {@link eliminate} left it
 * @param vector shape: size; changed in place
 */
export function reduce(plan: EliminationPlan, matrix: Float64Array, vector: Float64Array): void {
  const { size, count, starts, rows } = plan;
  for (let k = 0; k < count; k++) {
    const share = vector[k]! / matrix[k * size + k]!;
    for (let at = starts[k]!; at < starts[k + 1]!; at++) {
      const row = rows[at]!;
      vector[row]! -= share * matrix[k * size + row]!;
    }
  }
}

/**
 * The unknowns that were taken out, from those that were left.
 *
 * @param matrix,vector as {@link eliminate} and {@link reduce} left them
 * @param solution shape: at least size; from place `count` on it holds what was solved, and before it the rest afterwards
 */
export function substituteBack(
  { size, count, starts, rows }: EliminationPlan,
  matrix: Float64Array,
  vector: Float64Array,
  solution: Float64Array,
): void {
  for (let k = count - 1; k >= 0; k--) {
    let value = vector[k]!;
    for (let at = starts[k]!; at < starts[k + 1]!; at++)
      value -= matrix[k * size + rows[at]!]! * solution[rows[at]!]!;
    solution[k] = value / matrix[k * size + k]!;
  }
}
