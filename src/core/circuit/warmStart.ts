/** A solution and what it is of. */
interface Known {
  readonly at: number;
  readonly volts: Float64Array;
}

/** So many solutions are kept, the last ones. */
const KEPT = 8;
/** Farther out than so many of their distance the line through two solutions is no better than the nearer of them. */
const FARTHEST = 2;

/**
 * Where the next solution of a circuit likely lies, from those before it: in line with the nearest two, which is far nearer than
 * the nearest by itself while one figure is turned.
 */
export class WarmStart {
  /** The last one first. */
  private readonly known: Known[] = [];
  private line: Float64Array | undefined;

  /** @param at the figure that is turned, on whichever scale makes the voltages nearly straight */
  keep(at: number, volts: Float64Array): void {
    const { known } = this;
    if (known.length === KEPT) known.pop();
    known.unshift({ at, volts });
  }

  /** The last solution. */
  get latest(): Float64Array | undefined {
    return this.known[0]?.volts;
  }

  /** Node voltages to start from at a figure; good until the next call. `undefined` where nothing is known yet. */
  startAt(at: number): Float64Array | undefined {
    let near: Known | undefined;
    let next: Known | undefined;
    for (const one of this.known) {
      if (!near || Math.abs(one.at - at) < Math.abs(near.at - at)) {
        if (near && near.at !== one.at) next = near;
        near = one;
      } else if (one.at !== near.at && (!next || Math.abs(one.at - at) < Math.abs(next.at - at))) next = one;
    }
    if (!near || !next) return near?.volts;
    const share = (at - near.at) / (near.at - next.at);
    if (!(Math.abs(share) <= FARTHEST)) return near.volts;
    const line = (this.line ??= new Float64Array(near.volts.length));
    for (let node = 0; node < line.length; node++) {
      const volts = near.volts[node]!;
      line[node] = volts + share * (volts - next.volts[node]!);
    }
    return line;
  }
}
