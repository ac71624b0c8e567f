import { propertyOf } from './record';
import { array, boolean, lazy, mixed, number, object, string, ValidationError, type Schema } from 'yup';

declare const taken: unique symbol;

/**
 * A schema that knows its type: the one truth for what a value may be, from which its TypeScript type is inferred
 * ({@link Infer}). Exact throughout: an unknown key, a wrong type or a figure outside its limits is refused.
 */
export type Field<T> = Schema & { readonly [taken]?: () => T };

/** The type that a schema takes. */
export type Infer<F> = F extends Field<infer T> ? T : never;

/* eslint-disable @typescript-eslint/no-unsafe-type-assertion -- here, and nowhere else, schemas and types are said to go together */
/** The one place where a schema is said to be of a type. */
const field = <T>(schema: unknown) => schema as Field<T>;

export interface Limits {
  readonly min: number;
  readonly max: number;
}

export const within = ({ min, max }: Limits) => field<number>(number().required().min(min).max(max));
export const withinOrNone = (limits: Limits) => nullOr(within(limits));
export const wholeWithin = ({ min, max }: Limits) =>
  field<number>(number().required().min(min).max(max).integer());
export const flag = () => field<boolean>(boolean().required());
/** A text of so many characters; empty where `min` is 0. */
export const text = (max: number, min = 0) => field<string>(string().defined().min(min).max(max));
/** A name: neither empty nor nothing but space. */
export const nameText = (max: number) => field<string>(string().required().trim().min(1).max(max));

export const oneOf = <T extends string>(...values: readonly T[]) =>
  field<T>(mixed<T>((value): value is T => values.some((one) => one === value)).required());

export const idField = field<string>(
  string()
    .required()
    .matches(/^[A-Za-z0-9_-]{1,40}$/),
);

const none = mixed().nullable();

/** The schema, or `null`. */
export const nullOr = <T>(schema: Field<T>) =>
  field<T | null>(lazy((value: unknown) => (value === null ? none : schema)));

/** A list of so many; where it says so, each under an id of its own. */
export function listOf<T>(
  schema: Field<T>,
  {
    min = 0,
    max,
    unique = false,
  }: { readonly min?: number; readonly max: number; readonly unique?: boolean },
): Field<readonly T[]> {
  const list = array(schema as never)
    .required()
    .min(min)
    .max(max);
  return field(unique ? list.test('unique', hasUniqueIds) : list);
}

function hasUniqueIds(list: readonly unknown[] | undefined): boolean {
  const ids = list?.map((entry) => propertyOf(entry, 'id')) ?? [];
  return new Set(ids).size === ids.length;
}

type Shape = Readonly<Record<string, Field<unknown>>>;

/** A record with just these keys. */
export const exactly = <S extends Shape>(shape: S) =>
  field<{ readonly [K in keyof S]: Infer<S[K]> }>(object(shape).noUnknown().required());

/** A record with some of these keys and no others. */
export const someOf = <S extends Shape>(shape: S) =>
  choose<{ readonly [K in keyof S]?: Infer<S[K]> }>((value) =>
    field(
      exactly(
        Object.fromEntries(Object.entries(shape).filter(([key]) => propertyOf(value, key) !== undefined)),
      ),
    ),
  );

/** One of several records, told apart by their `kind`; anything else is refused there. */
export function byKind<S extends Shape>(shapes: S): Field<Infer<S[keyof S]>> {
  const kinds = Object.keys(shapes);
  return field(
    lazy((value: unknown) => {
      const kind = propertyOf(value, 'kind');
      const known = typeof kind === 'string' && Object.hasOwn(shapes, kind) ? shapes[kind] : undefined;
      // Of an unknown kind nothing else is looked at: its kind is what is wrong.
      return known ?? object({ kind: oneOf(...kinds) }).required();
    }),
  );
}

/** A schema that is chosen by what the value is. */
export const choose = <T>(schemaOf: (value: unknown) => Field<T>) => field<T>(lazy(schemaOf));

/** The same with one more demand on the whole, which is looked at where every part is in order: else the part is named. */
export const withTest = <T>(schema: Field<T>, name: string, test: (value: T) => boolean) =>
  field<T>(
    (schema as Schema).test(name, (value: unknown) => {
      const parts = checked(schema, value, name);
      return !parts.ok || test(parts.value);
    }),
  );

/** Nothing that is kept is nested deeper than this. */
export const MAX_DEPTH = 32;

/** Whether a value from outside is nested deeper than anything that is kept: walking it could end the program. */
export function isTooDeep(value: unknown): boolean {
  let level: readonly unknown[] = [value];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > MAX_DEPTH) return true;
    level = level.flatMap((entry): readonly unknown[] =>
      typeof entry === 'object' && entry !== null && !ArrayBuffer.isView(entry) ? Object.values(entry) : [],
    );
  }
  return false;
}

/** Checks a value against a schema without changing it: the path of the first thing wrong, or `null`. */
export function damageIn(schema: Field<unknown>, value: unknown, whole: string): string | null {
  if (isTooDeep(value)) return whole;
  try {
    schema.validateSync(value, { strict: true, abortEarly: true });
    return null;
  } catch (error) {
    if (error instanceof ValidationError) return pathOf(error) || whole;
    throw error;
  }
}

/** Where an error lies; a key that is not known by its own name. */
function pathOf({ path = '', type, params }: ValidationError): string {
  if (type !== 'noUnknown') return path;
  const unknown: unknown = params?.unknown;
  const stray = String(unknown).split(', ')[0]?.slice(0, 60) ?? '';
  return path === '' ? stray : `${path}.${stray}`;
}

/** The value as what the schema takes; or the path of the first thing wrong in it. */
export function checked<T>(
  schema: Field<T>,
  value: unknown,
  whole: string,
): { readonly ok: true; readonly value: T } | { readonly ok: false; readonly path: string } {
  const path = damageIn(schema, value, whole);
  return path === null ? { ok: true, value: value as T } : { ok: false, path };
}

/** A value where its schema takes it, else nothing. */
export function soundOr<T>(schema: Field<T>, value: unknown): T | null {
  const found = checked(schema, value, 'value');
  return found.ok ? found.value : null;
}
