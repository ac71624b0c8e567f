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
  const order = Array.from(values.keys())
    .filter((at) => !Number.isNaN(values[at]))
    .sort((a, b) => (values[a] ?? 0) - (values[b] ?? 0));
  const sorted = Float64Array.from(order, (at) => values[at] ?? 0);
  const scatter = new Float64Array(values.length).fill(NaN);
  const ends = heapsOf(sorted);
  const own = ends.map((end, heap) => deviation(sorted.subarray(ends[heap - 1] ?? 0, end)));
  const sizes = ends.map((end, heap) => end - (ends[heap - 1] ?? 0));
  // A heap of one or two scatters as the others do.
  const usual = Math.max(0, ...own.filter((_, heap) => (sizes[heap] ?? 0) >= FEWEST));
  let heap = 0;
  order.forEach((at, place) => {
    if (place >= (ends[heap] ?? 0)) heap += 1;
    scatter[at] = (sizes[heap] ?? 0) >= FEWEST ? (own[heap] ?? 0) : Math.max(usual, own[heap] ?? 0);
  });
  return scatter;
}

/** How far figures lie apart: one standard deviation. NaN counts for nothing. */
export function deviation(values: Float64Array): number {
  let [count, mean, squares] = [0, 0, 0];
  for (const value of values) {
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
  const hasGap = sorted.some((value, at) => at > 0 && value - (sorted[at - 1] ?? 0) >= GAP_SHARE * span);
  if (span <= 0 || !hasGap) return [count];
  const [sums, squares] = [new Float64Array(count + 1), new Float64Array(count + 1)];
  const middle = (sorted[0] ?? 0) + span / 2;
  sorted.forEach((value, at) => {
    sums[at + 1] = (sums[at] ?? 0) + (value - middle);
    squares[at + 1] = (squares[at] ?? 0) + (value - middle) ** 2;
  });
  const within = (from: number, to: number) => {
    const sum = (sums[to] ?? 0) - (sums[from] ?? 0);
    return Math.max(0, (squares[to] ?? 0) - (squares[from] ?? 0) - sum ** 2 / (to - from));
  };
  const most = WITHIN_SHARE * within(0, count);
  // The best that so many heaps come to, of all figures up to each.
  let best = Array.from({ length: count + 1 }, (_, to) => ({
    left: to > 0 ? within(0, to) : 0,
    ends: [to] as readonly number[],
  }));
  for (let heaps = 2; heaps <= Math.min(MOST_HEAPS, count); heaps++) {
    const before = best;
    best = before.map((known, to) => {
      let found = known;
      for (let cut = heaps - 1; cut < to; cut++) {
        const left = (before[cut]?.left ?? 0) + within(cut, to);
        if (left < found.left) found = { left, ends: [...(before[cut]?.ends ?? []), to] };
      }
      return found;
    });
    const all = best[count];
    if (all && all.left <= most) return all.ends;
  }
  return [count];
}
