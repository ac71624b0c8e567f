import { object, string } from 'yup';
import type { Ok, Refused } from '../result';
import { ledKinds, type LedKindId } from '../loads/led';
import {
  bagSchema,
  idSchema,
  measurementShape,
  oneOf,
  partSchema,
  within,
  withinOrNone,
  damageIn,
} from '../readings/schema';
import type { Action, LdrSide } from '../stages/stage';
import { LIMITS, type Project } from './project';

const ledIds: LedKindId[] = [...ledKinds.map((kind) => kind.id), 'own'];

/** The Project document, exactly: an unknown key, a wrong type or a figure outside its limits is refused. */
export const projectSchema = object({
  id: idSchema,
  name: string().required().trim().min(1).max(LIMITS.nameLength),
  ...measurementShape,
  part: partSchema,
  bag: bagSchema,
  goal: object({ action: oneOf<Action>('on-in-dark', 'on-in-light'), lux: within(LIMITS.light) })
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
  const path = damageIn(projectSchema, value, 'project');
  return path === null ? { ok: true, project: value as Project } : { ok: false, reason: 'damaged', path };
}
