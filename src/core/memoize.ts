import isEqual from 'fast-deep-equal/es6';
import memoizeOne from 'memoize-one';

/**
 * Keeps the last answer of something costly. The key is exactly the arguments that it is called with, compared by what they are:
 * where one differs in anything, the answer is found anew.
 */
export function memoize<Args extends readonly unknown[], T>(find: (...of: Args) => T): (...of: Args) => T {
  const memoized = memoizeOne((...of: unknown[]) => find(...(of as unknown as Args)), isEqual);
  return (...of) => memoized(...of);
}
