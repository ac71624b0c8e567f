import { array, boolean, object, string } from 'yup';
import type { Ok, Refused } from '../result';
import {
  bagSchema,
  idSchema,
  lightSchema,
  measurementShape,
  nullOr,
  oneOf,
  partSchema,
  within,
  withinOrNone,
  damageIn,
} from '../readings/schema';
import type { ResistorStock } from '../series/drawer';
import { seriesNames } from '../series/series';
import type { Action, LdrSide } from '../stages/stage';
import { outputStageSchema, detectorSchema } from './deciderSchema';
import { loadSchema, sourceSchema, driverSchema } from './driveSchema';
import { LIMITS, variantNames, type Project, type VariantName } from './project';

/** What one variant of a design has of its own. */
const circuitShape = {
  goal: object({
    action: oneOf<Action>('on-in-dark', 'on-in-light'),
    lux: within(LIMITS.light),
    offLux: nullOr(within(LIMITS.light)),
  })
    .noUnknown()
    .required(),
  divider: object({
    supplyVolts: within(LIMITS.supplyVolts),
    ldrSide: oneOf<LdrSide>('top', 'bottom'),
    isDirect: boolean().required(),
    fixedOhms: within(LIMITS.fixedOhms),
    trimmer: nullOr(
      object({
        trackOhms: within(LIMITS.trackOhms),
        endOhms: within(LIMITS.endOhms),
        degrees: within(LIMITS.degrees),
      })
        .noUnknown()
        .required(),
    ),
    ldrParallelOhms: withinOrNone(LIMITS.fixedOhms),
    ldrSeriesOhms: withinOrNone(LIMITS.fixedOhms),
    lights: nullOr(
      object({ darkLux: within(LIMITS.light), brightLux: within(LIMITS.light) })
        .noUnknown()
        .required(),
    ),
    ambientCelsius: within(LIMITS.ambientCelsius),
  })
    .noUnknown()
    .required(),
  driver: driverSchema,
  detector: detectorSchema,
  outputStage: outputStageSchema,
  feedbackLux: within(LIMITS.feedbackLux),
  beam: nullOr(
    object({ ambientLux: within(LIMITS.light), beamLux: within(LIMITS.light) })
      .noUnknown()
      .required(),
  ),
  loads: array(loadSchema as never)
    .required()
    .min(1)
    .max(LIMITS.load.loads),
  source: sourceSchema,
  loadSupply: nullOr(
    object({ volts: within(LIMITS.supplyVolts), source: sourceSchema, commonGround: boolean().required() })
      .noUnknown()
      .required(),
  ),
};

/** The Project document, exactly: an unknown key, a wrong type or a figure outside its limits is refused. */
export const projectSchema = object({
  id: idSchema,
  name: string().required().trim().min(1).max(LIMITS.nameLength),
  ...measurementShape,
  part: partSchema,
  bag: bagSchema,
  ...circuitShape,
  resistors: object({
    series: oneOf<ResistorStock['series']>(...seriesNames, 'own'),
    ownOhms: array(within(LIMITS.fixedOhms)).required().max(LIMITS.ownResistors),
    ownTolerance: within({ min: 0, max: 0.5 }),
    trimmerOhms: array(within(LIMITS.trackOhms)).required().max(LIMITS.trimmers),
    pairs: boolean().required(),
  })
    .noUnknown()
    .required(),
  midpoints: array(
    object({ light: lightSchema, volts: within(LIMITS.midVolts) })
      .noUnknown()
      .required(),
  )
    .required()
    .max(LIMITS.readings),
  darkShare: within(LIMITS.supply.darkShare),
  variant: oneOf<VariantName>(...variantNames),
  others: array(
    object({
      name: oneOf<VariantName>(...variantNames),
      circuit: object(circuitShape).noUnknown().required(),
    })
      .noUnknown()
      .required(),
  )
    .required()
    .max(variantNames.length - 1),
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
