/**
 * Keeps the last answer of something costly.
 *
 * @returns a function that makes a new answer only where one of the things that it is of is another than last time
 */
export function memoized<T>(): (of: readonly unknown[], make: () => T) => T {
  let last: { readonly of: readonly unknown[]; readonly answer: T } | null = null;
  return (of, make) => {
    if (last?.of.length === of.length && last.of.every((part, index) => Object.is(part, of[index])))
      return last.answer;
    last = { of, answer: make() };
    return last.answer;
  };
}
