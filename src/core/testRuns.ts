import { appendFileSync } from 'node:fs';

/** While mutants are sought every one of them runs the tests again: in rooms with many that are quick a fifth of the share must do. */
const MUTANT_SHARE = Number(process.env.MUTANT_SHARE ?? 1);

/**
 * For tests: how many random cases of so many. All with `npm run verify`, a fixed share of them otherwise, fewer while mutants are sought.
 * @param share one of so many; what takes long takes fewer
 * @param least so many in any case
 */
export function runs(whole: number, share = 120, least = 6): number {
  if (process.env.VERIFY_FILE !== undefined) return whole;
  return Math.max(least, Math.ceil(whole / (share * MUTANT_SHARE)));
}

/** For tests: writes down what a promise came to beside its goal, for `npm run verify` to show. */
export function promised(promise: string, figure: string | number, goal: string): void {
  const file = process.env.VERIFY_FILE;
  if (file !== undefined) appendFileSync(file, `${JSON.stringify({ promise, figure, goal })}\n`);
}
