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
