/**
 * Expected failure is a value: every core function that can fail returns one of these two shapes.
 * `reason` is a code, never a sentence; the words stand in `ui/words`.
 */
export type Ok<T> = { readonly ok: true } & Readonly<T>;
export type Refused<R extends string, F = unknown> = { readonly ok: false; readonly reason: R } & Readonly<F>;

/**
 * Marks a programmer's mistake. A user's mistake never ends here.
 * @param message put together only when it is needed: solving asserts a great deal
 */
export function assert(condition: boolean, message: string | (() => string)): asserts condition {
  if (!condition) throw new Error(typeof message === 'string' ? message : message());
}

/** `list[index]` where the index is known to be inside; asserts it. */
export function at<T>(list: ArrayLike<T>, index: number): T {
  const value = list[index];
  if (value === undefined) throw new Error(`index ${index} outside a list of ${list.length}`);
  return value;
}
