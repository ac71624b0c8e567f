/**
 * The equations of a circuit while its parts are written into them: `matrix · volts = vector`, for the unknown nodes from a first one
 * on. A node before the first must not be named; one after the unknowns is fixed, and its share goes to the vector.
 */
export class Stamp {
  readonly size: number;
  /** Row-major size × size, in S. */
  readonly matrix: Float64Array;
  /** Currents into each node, in A. */
  readonly vector: Float64Array;

  constructor(
    private readonly first: number,
    private readonly unknowns: number,
    private readonly fixedVolts: Float64Array,
  ) {
    this.size = unknowns - first;
    this.matrix = new Float64Array(this.size * this.size);
    this.vector = new Float64Array(this.size);
  }

  clear(): void {
    this.matrix.fill(0);
    this.vector.fill(0);
  }

  /** Takes over what another stamp, which begins at an earlier node, says of the nodes of this one. */
  takeFrom({ size: otherSize, matrix, vector }: Stamp): void {
    const { size } = this;
    const skipped = otherSize - size;
    for (let row = 0; row < size; row++) {
      const from = (row + skipped) * otherSize + skipped;
      for (let column = 0; column < size; column++) this.matrix[row * size + column] = matrix[from + column]!;
      this.vector[row] = vector[row + skipped]!;
    }
  }

  conductance(a: number, b: number, siemens: number): void {
    const { size, unknowns, matrix, vector } = this;
    const [row, column] = [a - this.first, b - this.first];
    if (a < unknowns) {
      matrix[row * size + row]! += siemens;
      if (b < unknowns) matrix[row * size + column]! -= siemens;
      else vector[row]! += siemens * this.fixedVolts[b]!;
    }
    if (b < unknowns) {
      matrix[column * size + column]! += siemens;
      if (a < unknowns) matrix[column * size + row]! -= siemens;
      else vector[column]! += siemens * this.fixedVolts[a]!;
    }
  }

  /** A current `siemens · (V(plus) − V(minus))` that leaves node `from` and enters node `to`. */
  transconductance(from: number, to: number, plus: number, minus: number, siemens: number): void {
    if (from < this.unknowns) this.controlled(from - this.first, plus, minus, siemens);
    if (to < this.unknowns) this.controlled(to - this.first, plus, minus, -siemens);
  }

  private controlled(row: number, plus: number, minus: number, siemens: number): void {
    const { size, first, unknowns, matrix, vector, fixedVolts } = this;
    if (plus < unknowns) matrix[row * size + plus - first]! += siemens;
    else vector[row]! -= siemens * fixedVolts[plus]!;
    if (minus < unknowns) matrix[row * size + minus - first]! -= siemens;
    else vector[row]! += siemens * fixedVolts[minus]!;
  }

  /** A fixed current that leaves `from` inside a part and enters `to`. */
  inject(from: number, to: number, amps: number): void {
    if (from < this.unknowns) this.vector[from - this.first]! -= amps;
    if (to < this.unknowns) this.vector[to - this.first]! += amps;
  }

  /** A conductance from every node to ground, which is at 0 V. */
  leak(siemens: number): void {
    for (let row = 0; row < this.size; row++) this.matrix[row * this.size + row]! += siemens;
  }
}
