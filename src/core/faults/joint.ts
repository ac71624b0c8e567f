/** Room for shares that is used again and again; all of it zero while none uses it. */
let room = new Float64Array(0);

/** How likely two things are together, in rows and columns: one at a time, good until {@link Joint.bits} is asked for. */
export class Joint {
  private readonly cells: Float64Array;
  /** Where each row has something: from one column to before another. Shape: rows */
  private readonly from: Int32Array;
  private readonly to: Int32Array;

  constructor(
    private readonly rows: number,
    readonly columns: number,
  ) {
    if (room.length < rows * columns) room = new Float64Array(2 * rows * columns);
    this.cells = room;
    this.from = new Int32Array(rows).fill(columns);
    this.to = new Int32Array(rows);
  }

  /** Adds a share to a cell. */
  add(row: number, column: number, share: number): void {
    if (column < this.from[row]!) this.from[row] = column;
    if (column >= this.to[row]!) this.to[row] = column + 1;
    this.cells[row * this.columns + column]! += share;
  }

  /** Adds a share to all cells of a row, each as much. */
  addEvenly(row: number, share: number): void {
    for (let column = 0; column < this.columns; column++) this.add(row, column, share / this.columns);
  }

  /** Mutual information of rows and columns, in bits; 0 where nothing was added. Its room is given back. */
  bits(): number {
    const { rows, columns, cells, from, to } = this;
    const column = new Float64Array(columns);
    const own = new Float64Array(rows);
    let total = 0;
    for (let row = 0; row < rows; row++) {
      for (let at = from[row]!; at < to[row]!; at++) {
        const share = cells[row * columns + at]!;
        column[at]! += share;
        own[row]! += share;
      }
      total += own[row]!;
    }
    let bits = 0;
    for (let row = 0; row < rows; row++)
      for (let at = from[row]!; at < to[row]!; at++) {
        const share = cells[row * columns + at]!;
        if (share > 0) bits += share * Math.log2((share * total) / (own[row]! * column[at]!));
        cells[row * columns + at] = 0;
      }
    return total > 0 ? Math.max(0, bits / total) : 0;
  }
}
