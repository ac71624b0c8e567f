/** A solution and what it is of. */
interface Known {
  readonly at: number;
  readonly volts: Float64Array;
}

/**
 * Where the next solution of a circuit likely lies, from those before it: in line with the last two, which is far nearer than the
 * last by itself while one figure is turned step by step.
 */
export class WarmStart {
  private last: Known | undefined;
  private before: Known | undefined;
  private line: Float64Array | undefined;

  /** @param at the figure that is turned, on whichever scale makes the voltages nearly straight */
  keep(at: number, volts: Float64Array): void {
    this.before = this.last;
    this.last = { at, volts };
  }

  /** The last solution. */
  get latest(): Float64Array | undefined {
    return this.last?.volts;
  }

  /** Node voltages to start from at a figure; good until the next call. `undefined` where nothing is known yet. */
  startAt(at: number): Float64Array | undefined {
    const { last, before } = this;
    if (!last || !before) return last?.volts;
    const share = (at - last.at) / (last.at - before.at);
    if (!(Math.abs(share) <= FARTHEST)) return last.volts;
    const line = (this.line ??= new Float64Array(last.volts.length));
    for (let node = 0; node < line.length; node++) {
      const volts = last.volts[node]!;
      line[node] = volts + share * (volts - before.volts[node]!);
    }
    return line;
  }
}

/** Farther out than so many of the last steps the line is no better than its end. */
const FARTHEST = 2;
