import isEqual from 'fast-deep-equal/es6/index.js';

interface Entry<T> {
  readonly of: readonly unknown[];
  readonly answer: T;
}

const forgets = new Set<() => void>();

/**
 * Keeps the last answers of something costly. The key is exactly the arguments that it is called with, compared by what they are:
 * where one differs in anything, the answer is found anew.
 *
 * @param keep how many answers, the last used first
 */
export function memoize<Args extends readonly unknown[], T>(
  find: (...of: Args) => T,
  keep = 1,
): (...of: Args) => T {
  let entries: readonly Entry<T>[] = [];
  forgets.add(() => (entries = []));
  return (...of) => {
    const [last] = entries;
    if (last && isEqual(last.of, of)) return last.answer;
    const known = entries.find((entry) => entry !== last && isEqual(entry.of, of));
    const entry = known ?? { of, answer: find(...of) };
    entries = [entry, ...entries.filter((other) => other !== entry)].slice(0, keep);
    return entry.answer;
  };
}

/** For tests: every answer is found anew. */
export function forgetAll(): void {
  for (const forget of forgets) forget();
}
