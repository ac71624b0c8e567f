/** So many solutions are kept, the last ones. */
const KEPT = 8;
/** Farther out than so many of their distance the line through two solutions is no better than the nearer of them. */
const FARTHEST = 2;
/** A parabola is better than a line only through solutions that stand near each other: within so much of the figure that is turned, a logarithm. */
const NEARBY = 0.3;
/** Shares in the nearest two that come to more than this, signs aside, make too much of their last digits: of three evenly spaced ones they come to 6. */
const MOST_SHARES = 8;

/**
 * Where the next solution of a circuit likely lies, from those before it: on the parabola through the nearest three or in line with
 * the nearest two, which is far nearer than the nearest by itself while one figure is turned.
 */
export class WarmStart {
  /** Solutions and the figures that they are of, in a ring. */
  private readonly volts: Float64Array[] = [];
  private readonly ats = new Float64Array(KEPT);
  /** Where in the ring the next one goes. */
  private next = 0;
  private guess: Float64Array | undefined;
  /** Where in the ring the solutions nearest to a figure are, the nearest first; −1 where there is none. */
  private one = -1;
  private two = -1;
  private three = -1;

  /** @param at the figure that is turned, on whichever scale makes the voltages nearly straight */
  keep(at: number, volts: Float64Array): void {
    this.ats[this.next] = at;
    this.volts[this.next] = volts;
    this.next = (this.next + 1) % KEPT;
  }

  /** The last solution. */
  get latest(): Float64Array | undefined {
    return this.volts[(this.next + KEPT - 1) % KEPT];
  }

  /** Node voltages to start from at a figure; good until the next call. `undefined` where nothing is known yet. */
  startAt(at: number): Float64Array | undefined {
    const { ats, volts } = this;
    this.findNearest(at);
    const { one, two, three } = this;
    const first = volts[one];
    if (two < 0 || !first) return first;
    const a = ats[one]!;
    const b = ats[two]!;
    const second = volts[two]!;
    const share = (b - at) / (b - a);
    if (!(Math.abs(share - 1) <= FARTHEST)) return first;
    const c = three < 0 ? NaN : ats[three]!;
    const ofFirst = (share * (c - at)) / (c - a);
    const ofSecond = ((1 - share) * (c - at)) / (c - b);
    const isNear = Math.abs(c - at) < NEARBY && Math.abs(c - a) < NEARBY;
    return isNear && Math.abs(ofFirst) + Math.abs(ofSecond) <= MOST_SHARES
      ? this.between(first, ofFirst, second, ofSecond, volts[three]!, 1 - ofFirst - ofSecond)
      : this.between(first, share, second, 1 - share, second, 0);
  }

  /** Looks for the three solutions nearest to a figure, of different figures; of two as near the later one comes first. */
  private findNearest(at: number): void {
    const { ats } = this;
    const count = this.volts.length;
    let one = -1;
    let two = -1;
    let three = -1;
    let a = NaN;
    let b = NaN;
    let first = Infinity;
    let second = Infinity;
    let third = Infinity;
    let place = this.next;
    for (let back = 0; back < count; back++) {
      place = place > 0 ? place - 1 : count - 1;
      const its = ats[place]!;
      const by = Math.abs(its - at);
      if (by >= third || its === a || its === b) continue;
      if (by < second) {
        three = two;
        third = second;
        if (by < first) {
          two = one;
          second = first;
          b = a;
          one = place;
          first = by;
          a = its;
        } else {
          two = place;
          second = by;
          b = its;
        }
      } else {
        three = place;
        third = by;
      }
    }
    this.one = one;
    this.two = two;
    this.three = three;
  }

  private between(
    first: Float64Array,
    ofFirst: number,
    second: Float64Array,
    ofSecond: number,
    third: Float64Array,
    ofThird: number,
  ): Float64Array {
    const guess = (this.guess ??= new Float64Array(first.length));
    for (let node = 0; node < guess.length; node++)
      guess[node] = ofFirst * first[node]! + ofSecond * second[node]! + ofThird * third[node]!;
    return guess;
  }
}
