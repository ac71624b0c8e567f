/** One benchmark's result. */
export interface Figure {
  readonly name: string;
  readonly unit: string;
  readonly median: number;
  readonly p95: number;
  readonly goal: string;
  readonly ok: boolean;
}

/** A quantile by rank, 0–1. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((one, other) => one - other);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
}

/** Times in ms as a benchmark, their median held against a goal. */
export function figure(name: string, times: readonly number[], goal: number): Figure {
  const median = quantile(times, 0.5);
  return { name, unit: 'ms', median, p95: quantile(times, 0.95), goal: `under ${goal}`, ok: median < goal };
}

/** Milliseconds of each of `rounds` calls, after as many to warm up. */
export function timed(rounds: number, work: () => void): number[] {
  for (let round = 0; round < rounds; round++) work();
  return Array.from({ length: rounds }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
}
