import { appendFileSync } from 'node:fs';

/**
 * For tests: how many random cases of so many. All with `npm run verify`, a fixed share of them otherwise.
 * @param share one of so many; what takes long takes fewer
 * @param least so many in any case
 */
export const runs = (whole: number, share = 120, least = 6): number =>
  process.env.VERIFY_FILE === undefined ? Math.max(least, Math.ceil(whole / share)) : whole;

/** For tests: writes down what a promise came to beside its goal, for `npm run verify` to show. */
export function promised(promise: string, figure: string | number, goal: string): void {
  const file = process.env.VERIFY_FILE;
  if (file !== undefined) appendFileSync(file, `${JSON.stringify({ promise, figure, goal })}\n`);
}
