/** What is found lies in no more heaps than this. */
const MOST_HEAPS = 4;
/** They are heaps where so little of the scatter is left within them; of an even or a normal scatter so many keep more. */
const WITHIN_SHARE = 0.03;
/** The widest gap between heaps is at least so much of everything. */
const GAP_SHARE = 0.2;
/** Fewer say nothing of how far their heap scatters. */
const FEWEST = 3;

/** A row of a table is asked for as long as the table is, and never changes. */
const known = new WeakMap<Float64Array, Float64Array>();

/**
 * How far what is found lies apart about each draw: within its own heap, where an output that is on in some builds and off in
 * others makes several. NaN for what is not found. Shape: draws
 * @param values never changed afterwards: the answer is kept with them
 */
export function scatterOf(values: Float64Array): Float64Array {
  const before = known.get(values);
  if (before) return before;
  const [first = NaN] = values;
  const scatter = values.every((value) => value === first)
    ? new Float64Array(values.length)
    : scatterIn(values);
  known.set(values, scatter);
  return scatter;
}

function scatterIn(values: Float64Array): Float64Array {
  const scatter = new Float64Array(values.length);
  const sorted = values.some(Number.isNaN) ? values.filter((value) => !Number.isNaN(value)) : values.slice();
  sorted.sort();
  const ends = heapsOf(sorted);
  const own = ends.map((end, heap) => deviation(sorted.subarray(ends[heap - 1] ?? 0, end)));
  const sizes = ends.map((end, heap) => end - (ends[heap - 1] ?? 0));
  // A heap of one or two scatters as the others do.
  const usual = Math.max(0, ...own.filter((_, heap) => (sizes[heap] ?? 0) >= FEWEST));
  const within = own.map((each, heap) => ((sizes[heap] ?? 0) >= FEWEST ? each : Math.max(usual, each)));
  const last = ends.length - 1;
  for (let at = 0; at < values.length; at++) {
    const value = values[at]!;
    let heap = 0;
    while (heap < last && value > sorted[ends[heap]! - 1]!) heap++;
    scatter[at] = Number.isNaN(value) ? NaN : within[heap]!;
  }
  return scatter;
}

/** How far figures lie apart: one standard deviation. NaN counts for nothing. */
export function deviation(values: Float64Array): number {
  let [count, mean, squares] = [0, 0, 0];
  for (let at = 0; at < values.length; at++) {
    const value = values[at]!;
    if (Number.isNaN(value)) continue;
    count += 1;
    const by = value - mean;
    mean += by / count;
    squares += by * (value - mean);
  }
  return count > 1 ? Math.sqrt(squares / (count - 1)) : 0;
}

/** Where each heap of sorted figures ends: the fewest heaps that leave next to no scatter within them. Shape: heaps */
function heapsOf(sorted: Float64Array): readonly number[] {
  const count = sorted.length;
  const span = (sorted[count - 1] ?? 0) - (sorted[0] ?? 0);
  if (span <= 0 || !hasGap(sorted, GAP_SHARE * span)) return [count];
  const [sums, squares] = [new Float64Array(count + 1), new Float64Array(count + 1)];
  const middle = (sorted[0] ?? 0) + span / 2;
  for (let at = 0; at < count; at++) {
    const by = sorted[at]! - middle;
    sums[at + 1] = sums[at]! + by;
    squares[at + 1] = squares[at]! + by * by;
  }
  const within = (from: number, to: number) => {
    const sum = sums[to]! - sums[from]!;
    return Math.max(0, squares[to]! - squares[from]! - (sum * sum) / (to - from));
  };
  const most = WITHIN_SHARE * within(0, count);
  // What the best that so many heaps come to leaves of all figures up to each, and where their last heap begins.
  let left = Float64Array.from({ length: count + 1 }, (_, to) => (to > 0 ? within(0, to) : 0));
  const begins: Int32Array[] = [];
  for (let heaps = 2; heaps <= Math.min(MOST_HEAPS, count); heaps++) {
    const before = left;
    const begin = new Int32Array(count + 1);
    left = before.map((known, to) => {
      let least = known;
      for (let cut = heaps - 1; cut < to; cut++) {
        const both = before[cut]! + within(cut, to);
        if (both < least) [least, begin[to]] = [both, cut];
      }
      return least;
    });
    begins.push(begin);
    if (left[count]! <= most) return endsBy(begins, count);
  }
  return [count];
}

function hasGap(sorted: Float64Array, least: number): boolean {
  for (let at = 1; at < sorted.length; at++) if (sorted[at]! - sorted[at - 1]! >= least) return true;
  return false;
}

/** @param begins where the last of two, three … heaps begins, of all figures up to each; 0 where one heap less is as good */
function endsBy(begins: readonly Int32Array[], count: number): readonly number[] {
  const ends = [count];
  for (const begin of begins.toReversed()) {
    const last = begin[ends[0] ?? 0] ?? 0;
    if (last > 0) ends.unshift(last);
  }
  return ends;
}
