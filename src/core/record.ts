/* eslint-disable @typescript-eslint/no-unsafe-type-assertion, @typescript-eslint/no-unsafe-return -- what the language cannot say of keys, said once */
/** The keys of a record, as its type has them. */
export const keysOf = <T extends object>(record: T) => Object.keys(record) as (keyof T & string)[];

/** A record with the same keys and other values. */
export function mapValues<T extends object, W extends { readonly [K in keyof T]: unknown }>(
  record: T,
  of: (key: keyof T & string) => unknown,
): W {
  return Object.fromEntries(keysOf(record).map((key) => [key, of(key)])) as W;
}

/**
 * The entry of a registry for one kind, as an entry for any of them: the one place where a union told apart by its kind and the
 * record of its kinds are said to go together.
 */
export const entryFor = <Any>(registry: object, kind: string): Any => Reflect.get(registry, kind);

/** What a value has under a key, whatever the value may be; `undefined` where it has none. */
export const propertyOf = (value: unknown, key: string): unknown =>
  typeof value === 'object' && value !== null ? Reflect.get(value, key) : undefined;

/** Whether a text is one of a list's, and so of its type. */
export const isOneOf = <T extends string>(list: readonly T[], text: string): text is T =>
  list.some((one) => one === text);
