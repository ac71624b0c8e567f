import type { Part } from '../../parts/part';
import { rowsOf, takeRows } from '../../parts/registry';

/** What stands for the other rows of something, beside the one in which a fault is thought of: its name, or the net that is theirs. */
export const othersOf = (name: string) => `${name}.others`;

/** Rows side by side, each with its own resistor: one by itself, in which something may be wrong, and the others as one. */
export const rowsApart = (parts: readonly Part[]): readonly Part[] =>
  parts.flatMap((part): readonly Part[] => {
    const rows = rowsOf(part);
    if (rows === 1) return [part];
    const one = takeRows(part, 1, (net) => net);
    const others = takeRows(part, rows - 1, othersOf);
    return one && others ? [one, { ...others, designator: othersOf(part.designator) }] : [part];
  });

/** Currents through one row of a load and through all others, of which it has so many in all, in A. */
export interface RowAmps {
  readonly one: number;
  readonly others: number;
  readonly rows: number;
}

/** A row with less than this share of what each of the others has is dark beside them. */
const DARK_SHARE = 0.1;

/** The current by which a load is seen: one of which a row is dark is no more than half on, however many the others are. */
export function seenAmps({ one, others, rows }: RowAmps): number {
  const isDark = rows > 1 && Math.abs(one) < (DARK_SHARE * Math.abs(others)) / (rows - 1);
  return isDark ? (one + others) / 2 : one + others;
}
