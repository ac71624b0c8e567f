import { array, boolean, lazy, mixed, number, object, string, type Schema, ValidationError } from 'yup';
import { METER_LIMITS, shippedMeterIds } from '../meter/meter';
import { LDR_LIMITS, marks, type Mark } from './ldrPart';
import { MEASUREMENT_LIMITS as LIMITS } from './limits';
import { lampKinds, type LampKind } from './reading';

export interface Limits {
  readonly min: number;
  readonly max: number;
}

export const within = ({ min, max }: Limits) => number().required().min(min).max(max);
export const withinOrNone = ({ min, max }: Limits) => number().nullable().defined().min(min).max(max);
export const wholeWithin = (limits: Limits) => within(limits).integer();

export const oneOf = <T extends string>(...values: readonly T[]) =>
  mixed<T>((value): value is T => values.includes(value as T)).required();

export const idSchema = string()
  .required()
  .matches(/^[A-Za-z0-9_-]{1,40}$/);

const text = (max: number) => string().defined().max(max);
const exactly = (shape: Parameters<typeof object>[0]) => object(shape).noUnknown().required();

const lightShapes = {
  lux: exactly({ kind: oneOf('lux'), lux: within(LIMITS.lux) }),
  level: exactly({ kind: oneOf('level'), level: idSchema }),
  lamp: exactly({
    kind: oneOf('lamp'),
    metres: within(LIMITS.metres),
    layers: wholeWithin(LIMITS.layers),
  }),
  'lamp-off': exactly({ kind: oneOf('lamp-off') }),
};

const kindOf = (value: unknown) => (value as { kind?: unknown } | null)?.kind;

/** A light by its kind; anything else is refused at `kind`. */
export const lightSchema = lazy((value: unknown) => {
  const kind = kindOf(value);
  const isKnown = typeof kind === 'string' && Object.hasOwn(lightShapes, kind);
  return isKnown
    ? lightShapes[kind as keyof typeof lightShapes]
    : exactly({ kind: oneOf(...(Object.keys(lightShapes) as (keyof typeof lightShapes)[])) });
});

/** The schema, or `null`. */
export const nullOr = (schema: Schema) =>
  lazy((value: unknown) => (value === null ? mixed().nullable() : schema));

/** An own meter, with all its figures; its ranges rise. */
export const meterSchema = exactly({
  id: idSchema,
  name: text(LDR_LIMITS.nameLength).min(1),
  counts: wholeWithin(METER_LIMITS.counts),
  autoRange: boolean().required(),
  inputOhms: within(METER_LIMITS.inputOhms),
  ranges: array(
    exactly({
      fullOhms: within(METER_LIMITS.fullOhms),
      accuracyShare: within(METER_LIMITS.accuracyShare),
      accuracyDigits: within(METER_LIMITS.accuracyDigits),
    }),
  )
    .required()
    .min(1)
    .max(METER_LIMITS.ranges)
    .test('rising', (list) => {
      const tops = (list ?? []).map((range) => Number((range as { fullOhms?: unknown }).fullOhms));
      return tops.every((top, index) => index === 0 || top > (tops[index - 1] ?? 0));
    }),
});

const meterRefSchema = lazy((value: unknown) =>
  typeof value === 'string' ? oneOf(...shippedMeterIds) : meterSchema,
);

const unique = (list: readonly { readonly id?: string }[] | undefined) =>
  new Set(list?.map((entry) => entry?.id)).size === list?.length;

/** The keys of a Measurement, to stand among those of a larger document. */
export const measurementShape = {
  readings: array(
    exactly({
      id: idSchema,
      light: lightSchema,
      ohms: within(LIMITS.readingOhms),
      above: boolean().required(),
      rangeOhms: withinOrNone(METER_LIMITS.fullOhms),
      lamp: nullOr(oneOf<LampKind>(...lampKinds)),
      takenAt: number().nullable().defined().integer().min(0).max(1e14),
      note: text(LIMITS.noteLength),
      setAside: boolean().required(),
    }),
  )
    .required()
    .max(LIMITS.readings)
    .test('unique', unique),
  meter: lazy((value: unknown) => (value === null ? mixed().nullable() : meterRefSchema)),
  lightTolerance: within(LIMITS.lightTolerance),
  levels: array(
    exactly({
      id: idSchema,
      name: text(LIMITS.levelNameLength).min(1),
      lux: withinOrNone(LIMITS.lux),
    }),
  )
    .required()
    .max(LIMITS.levels)
    .test('unique', unique),
  lampMetres: within(LIMITS.lampMetres),
  plan: array(lightSchema as never)
    .required()
    .max(LIMITS.readings),
};

export const partSchema = exactly({
  name: text(LDR_LIMITS.nameLength).min(1),
  size: text(LDR_LIMITS.nameLength),
  mark: oneOf<Mark>(...marks),
  bought: text(LDR_LIMITS.nameLength),
  maxVolts: withinOrNone(LDR_LIMITS.maxVolts),
  maxWatts: withinOrNone(LDR_LIMITS.maxWatts),
  riseSeconds: withinOrNone(LDR_LIMITS.riseSeconds),
  fallSeconds: withinOrNone(LDR_LIMITS.fallSeconds),
});

export const bagSchema = nullOr(
  exactly({
    count: wholeWithin({ min: 3, max: 1000 }),
    lnR10Mean: within({ min: 0, max: 25 }),
    lnR10Std: within({ min: 0, max: 5 }),
    gammaMean: within({ min: 0.05, max: 3 }),
    gammaStd: within({ min: 0, max: 2 }),
  }),
);

/** Checks a value against a schema without changing it: the path of the first thing wrong, or `null`. */
export function damageIn(schema: unknown, value: unknown, whole: string): string | null {
  try {
    (schema as Schema).validateSync(value, { strict: true, abortEarly: true });
    return null;
  } catch (error) {
    if (error instanceof ValidationError) return error.path || whole;
    throw error;
  }
}
