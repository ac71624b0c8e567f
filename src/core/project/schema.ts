import { array, boolean, mixed, number, object, string, ValidationError, type Schema } from 'yup';
import type { Ok, Refused } from '../result';
import { ledKinds, type LedKindId } from '../loads/led';
import { shippedMeters, type MeterId } from '../meter/meter';
import type { Action, LdrSide } from '../stages/stage';
import { LIMITS, type Project } from './project';

interface Limits {
  readonly least: number;
  readonly most: number;
}

const within = ({ least, most }: Limits) => number().required().min(least).max(most);
const withinOrNone = ({ least, most }: Limits) => number().nullable().defined().min(least).max(most);

const oneOf = <T extends string>(...values: T[]) =>
  mixed<T>((value): value is T => values.includes(value as T)).required();

const id = string()
  .required()
  .matches(/^[A-Za-z0-9_-]{1,40}$/);
const ledIds: LedKindId[] = [...ledKinds.map((kind) => kind.id), 'own'];

/** The Project document, exactly: an unknown key, a wrong type or a figure outside its limits is refused. */
export const projectSchema = object({
  id,
  name: string().required().trim().min(1).max(LIMITS.nameLength),
  readings: array(
    object({
      id,
      lux: within(LIMITS.lux),
      ohms: within(LIMITS.readingOhms),
      above: boolean().required(),
      setAside: boolean().required(),
    })
      .noUnknown()
      .required(),
  )
    .required()
    .max(LIMITS.readings)
    .test('unique', (list) => new Set(list?.map((reading) => reading?.id)).size === list?.length),
  meter: mixed<MeterId>((value): value is MeterId => shippedMeters.some((meter) => meter.id === value))
    .nullable()
    .defined(),
  goal: object({ action: oneOf<Action>('on-in-dark', 'on-in-light'), lux: within(LIMITS.lux) })
    .noUnknown()
    .required(),
  divider: object({
    supplyVolts: within(LIMITS.supplyVolts),
    ldrSide: oneOf<LdrSide>('top', 'bottom'),
    fixedOhms: within(LIMITS.fixedOhms),
  })
    .noUnknown()
    .required(),
  stage: object({
    kind: oneOf('npn'),
    baseOhms: withinOrNone(LIMITS.baseOhms),
  })
    .noUnknown()
    .required(),
  load: object({
    kind: oneOf('led'),
    led: oneOf<LedKindId>(...ledIds),
    forwardVolts: within(LIMITS.forwardVolts),
    atAmps: within(LIMITS.ratedAmps),
    wantedAmps: within(LIMITS.ledAmps),
    seriesOhms: within(LIMITS.seriesOhms),
  })
    .noUnknown()
    .required(),
})
  .noUnknown()
  .required();

/**
 * Checks a value against the schema without changing it.
 * @returns the same value as a Project; or the path of the first thing wrong, such as `readings[2].lux`
 */
export function checkProject(
  value: unknown,
): Ok<{ project: Project }> | Refused<'damaged', { path: string }> {
  try {
    (projectSchema as Schema).validateSync(value, { strict: true, abortEarly: true });
    return { ok: true, project: value as Project };
  } catch (error) {
    if (error instanceof ValidationError)
      return { ok: false, reason: 'damaged', path: error.path || 'project' };
    throw error;
  }
}
