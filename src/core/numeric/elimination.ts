/** Which rows each unknown is coupled with when its turn comes; what is filled in on the way counts. */
export interface EliminationPlan {
  /** How far apart the matrix's rows stand: as many as there are unknowns, or more. */
  readonly size: number;
  /** The first so many are taken out, one after another. */
  readonly count: number;
  /** Unknown k's rows are `rows[starts[k]] … rows[starts[k + 1] − 1]`. Shape: count + 1. */
  readonly starts: Int32Array;
  readonly rows: Int32Array;
  /** Where in the matrix each of those rows has unknown k, and where k's own row has that of each. Shape: as rows. */
  readonly below: Int32Array;
  readonly beside: Int32Array;
  /** Where each row has something taken away when it is k's turn, row after row; those of k begin at `firsts[k]`. */
  readonly targets: Int32Array;
  readonly firsts: Int32Array;
}

/**
 * Plans to take the first `count` unknowns out of a system, one after another.
 *
 * @param coupled pairs of places with something off the diagonal between them, one way or both, those beyond `size` being known;
 *   shape: 2 × pairs
 */
export function planElimination(size: number, count: number, coupled: ArrayLike<number>): EliminationPlan {
  const isFilled = new Uint8Array(size * size);
  for (let pair = 0; pair < coupled.length; pair += 2) {
    const [one, other] = [coupled[pair]!, coupled[pair + 1]!];
    if (one < size && other < size) isFilled[one * size + other] = isFilled[other * size + one] = 1;
  }
  const starts = new Int32Array(count + 1);
  const firsts = new Int32Array(count + 1);
  const rows: number[] = [];
  const below: number[] = [];
  const beside: number[] = [];
  const targets: number[] = [];
  for (let k = 0; k < count; k++) {
    const its: number[] = [];
    for (let row = k + 1; row < size; row++) if (isFilled[k * size + row]) its.push(row);
    for (const row of its) {
      rows.push(row);
      below.push(row * size + k);
      beside.push(k * size + row);
      for (const column of its) targets.push(row * size + column);
    }
    starts[k + 1] = rows.length;
    firsts[k + 1] = targets.length;
    for (let at = firsts[k]!; at < targets.length; at++) isFilled[targets[at]!] = 1;
  }
  return {
    size,
    count,
    starts,
    rows: Int32Array.from(rows),
    below: Int32Array.from(below),
    beside: Int32Array.from(beside),
    targets: Int32Array.from(targets),
    firsts,
  };
}

/** So many times its pivot below it would cost too many digits. */
const MOST_BELOW = 1e6;

/**
 * Takes some of the planned unknowns out of a system's matrix, each by its own row: without pivoting, as suits conductances, whose
 * diagonal is seldom much less than the rest of its column. What is left of it stands in the rows and columns after them.
 *
 * @param matrix row-major size × size; changed in place: on its diagonal stand the inverse pivots of what was taken out
 * @param from,to which of the unknowns
 * @param vector a right-hand side from which they are taken as well, as {@link reduce} does; shape: size
 * @returns the first of them that its own row does not bind well enough, and with which this ended; `to` where there is none
 */
export function eliminate(
  plan: EliminationPlan,
  matrix: Float64Array,
  from: number,
  to: number,
  vector: Float64Array | null = null,
): number {
  const { size, starts, rows, below, beside, targets, firsts } = plan;
  for (let k = from; k < to; k++) {
    const own = k * size + k;
    const inverse = 1 / matrix[own]!;
    if (!(Math.abs(inverse) < Infinity && inverse !== 0)) return k;
    const first = starts[k]!;
    const end = starts[k + 1]!;
    for (let at = first; at < end; at++)
      if (!(Math.abs(matrix[below[at]!]! * inverse) <= MOST_BELOW)) return k;
    matrix[own] = inverse;
    let target = firsts[k]!;
    for (let at = first; at < end; at++) {
      const factor = matrix[below[at]!]! * inverse;
      if (vector) vector[rows[at]!]! -= factor * vector[k]!;
      for (let along = first; along < end; along++) {
        matrix[targets[target]!]! -= factor * matrix[beside[along]!]!;
        target++;
      }
    }
  }
  return to;
}

/**
 * Takes the same unknowns out of a right-hand side.
 *
 * @param matrix as {@link eliminate} left it
 * @param vector shape: size; changed in place
 */
export function reduce(
  plan: EliminationPlan,
  matrix: Float64Array,
  vector: Float64Array,
  from: number,
  to: number,
): void {
  const { size, starts, rows, below } = plan;
  for (let k = from; k < to; k++) {
    const share = vector[k]! * matrix[k * size + k]!;
    const end = starts[k + 1]!;
    for (let at = starts[k]!; at < end; at++) vector[rows[at]!]! -= share * matrix[below[at]!]!;
  }
}

/**
 * The unknowns that were taken out, from those that were left.
 *
 * @param matrix,vector as {@link eliminate} and {@link reduce} left them
 * @param solution shape: at least size; from place `count` on it holds what was solved, and before it the rest afterwards
 * @param count how many of the planned unknowns were taken out
 */
export function substituteBack(
  { size, starts, rows, beside }: EliminationPlan,
  matrix: Float64Array,
  vector: Float64Array,
  solution: Float64Array,
  count: number,
): void {
  for (let k = count - 1; k >= 0; k--) {
    let value = vector[k]!;
    const end = starts[k + 1]!;
    for (let at = starts[k]!; at < end; at++) value -= matrix[beside[at]!]! * solution[rows[at]!]!;
    solution[k] = value * matrix[k * size + k]!;
  }
}
