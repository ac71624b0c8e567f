import { keysOf, propertyOf } from '../record';
import { buildField, BUILD_LIMITS } from './built/buildSettings';
import { checkField, CHECK_LIMITS } from './built/checkSettings';
import { detectorDefinition, detectorField } from '../detectors/registry';
import { DETECTOR_OHMS, NEGATIVE_VOLTS } from '../detectors/fields';
import { outputStageField } from '../detectors/outputStage/outputStage';
import type { Action, LdrSide, LoadPlace, TransistorKind } from '../drivers/kinds';
import { transistorKinds } from '../drivers/kinds';
import { TRANSISTOR_LIMITS } from '../drivers/limits';
import { transistorField, transistorFields, type TransistorModel } from '../drivers/registry';
import { bagField } from '../ldr/bag';
import { LIGHT_LIMITS } from '../light/range';
import { LOAD_LIMITS } from '../loads/limits';
import { loadField } from '../loads/registry';
import { sourceField, SUPPLY_LIMITS } from '../loads/supply';
import { COMPARATOR_LIMITS } from '../parts/kinds/comparator';
import { ldrPartField } from '../readings/ldrPart';
import { MEASUREMENT_LIMITS } from '../readings/limits';
import { lightField, measurementFields } from '../readings/reading';
import type { Ok, Refused } from '../result';
import {
  checked,
  choose,
  exactly,
  flag,
  idField,
  listOf,
  nameText,
  nullOr,
  oneOf,
  within,
  withinOrNone,
  type Field,
  type Infer,
} from '../schema';
import { stockField, STOCK_LIMITS } from '../series/stock';

/** What each value may be, in plain units; fields, schema and sizing all keep to these. */
export const LIMITS = {
  ...MEASUREMENT_LIMITS,
  /** A light on any scale: a place on the axis of a project in ohms lies further out than any lux. */
  light: LIGHT_LIMITS,
  supplyVolts: SUPPLY_LIMITS.volts,
  fixedOhms: { min: 1, max: 1e8 },
  trackOhms: STOCK_LIMITS.trackOhms,
  endOhms: { min: 0, max: 1e7 },
  degrees: { min: 90, max: 9000 },
  ambientCelsius: { min: 1, max: 70 },
  midVolts: { min: -60, max: 60 },
  ownResistors: STOCK_LIMITS.resistors,
  trimmers: STOCK_LIMITS.trimmers,
  baseOhms: { min: 1, max: 1e7 },
  load: LOAD_LIMITS,
  supply: SUPPLY_LIMITS,
  transistor: TRANSISTOR_LIMITS,
  comparator: COMPARATOR_LIMITS,
  feedbackLux: { min: 0, max: 1e9 },
  detectorOhms: DETECTOR_OHMS,
  negativeVolts: NEGATIVE_VOLTS,
  nameLength: 80,
  build: BUILD_LIMITS,
  check: CHECK_LIMITS,
} as const;

const goalField = exactly({
  action: oneOf<Action>('on-in-dark', 'on-in-light'),
  /** On the scale that the readings are on: lux, relative, or the place of a resistance (see `LightScale`). */
  lux: within(LIMITS.light),
  /** The light at which it should switch back, where that matters: beyond `lux` on the side where the load is off. */
  offLux: withinOrNone(LIMITS.light),
});

/** When the load should switch. */
export type Goal = Infer<typeof goalField>;

const trimmerField = exactly({
  trackOhms: within(LIMITS.trackOhms),
  /** 0 for none. */
  endOhms: within(LIMITS.endOhms),
  /** Travel of its screw from end to end: 270 for a single turn. */
  degrees: within(LIMITS.degrees),
});

/** A trimmer in place of the fixed resistor, with an end resistor that it cannot go below. */
export type Trimmer = Infer<typeof trimmerField>;

const dividerField = exactly({
  supplyVolts: within(LIMITS.supplyVolts),
  ldrSide: oneOf<LdrSide>('top', 'bottom'),
  /** The fixed resistor; with a trimmer, what it and its end resistor are set to together. */
  fixedOhms: within(LIMITS.fixedOhms),
  trimmer: nullOr(trimmerField),
  /** The LDR drives the base through the fixed resistor alone, without a divider. */
  isDirect: flag(),
  /** A resistor across the LDR that flattens its dark end, and one in series that keeps a floor; `null` for none. */
  ldrParallelOhms: withinOrNone(LIMITS.fixedOhms),
  ldrSeriesOhms: withinOrNone(LIMITS.fixedOhms),
  /** A dark and a light light that the divider should tell apart, on the readings' scale; `null` for a fifth and five times the goal. */
  lights: nullOr(exactly({ darkLux: within(LIMITS.light), brightLux: within(LIMITS.light) })),
  /** How warm it gets where the LDR sits. */
  ambientCelsius: within(LIMITS.ambientCelsius),
});
export type Divider = Infer<typeof dividerField>;

const driverShape = (part: Field<TransistorModel>) =>
  exactly({
    kind: oneOf<TransistorKind>(...transistorKinds),
    /** With all its figures, so that a project is whole by itself. */
    part,
    /** Resistor between midpoint and base or gate; `null` for a wire. */
    baseOhms: withinOrNone(LIMITS.baseOhms),
    place: oneOf<LoadPlace>('collector', 'emitter'),
  });

/** Its part must be of its kind. */
const driverField = choose((value) => {
  const kind = propertyOf(value, 'kind');
  const known = transistorKinds.find((candidate) => candidate === kind);
  return driverShape(known ? transistorFields[known] : transistorField);
});

/** How the switch is made. */
export type DriverSettings = Infer<typeof driverField>;

const loadSupplyField = exactly({
  volts: within(LIMITS.supplyVolts),
  source: sourceField,
  /** Its minus is joined to the sensor side's 0 V. */
  commonGround: flag(),
});

/** A supply of the load's own. */
export type LoadSupply = Infer<typeof loadSupplyField>;

/** Variants of one design: the same LDR and stock, each with a goal and a circuit of its own. */
export const variantNames = ['A', 'B', 'C'] as const;
export type VariantName = (typeof variantNames)[number];

const circuitFields = {
  goal: goalField,
  divider: dividerField,
  driver: driverField,
  /** What switches between divider and driver. */
  detector: detectorField,
  /** What comes between that and what it drives. */
  outputStage: outputStageField,
  /** What the load adds at the LDR when it is fully on, on the readings' scale of light; 0 for none. */
  feedbackLux: within(LIMITS.feedbackLux),
  /** A beam onto the LDR that is broken and made whole; `null` without one. */
  beam: nullOr(exactly({ ambientLux: within(LIMITS.light), beamLux: within(LIMITS.light) })),
  /** What hangs on the switch, side by side; one to six. */
  loads: listOf(loadField, { min: 1, max: LIMITS.load.loads }),
  /** What stands behind the divider's supply voltage. */
  source: sourceField,
  /** `null` where one supply feeds both sides. */
  loadSupply: nullOr(loadSupplyField),
  /** How it is built, and how far that has come. */
  build: buildField,
  /** What was measured of it once it was built. */
  check: checkField,
};

const circuitField = exactly(circuitFields);

/** What one variant of a design has of its own. */
export type Circuitry = Infer<typeof circuitField>;

/** A midpoint that was measured on the bench, to hold against the predicted one. */
const midpointField = exactly({ light: lightField, volts: within(LIMITS.midVolts) });
export type MidpointCheck = Infer<typeof midpointField>;

/** The Project document, exactly: an unknown key, a wrong type or a figure outside its limits is refused. */
export const projectField = exactly({
  id: idField,
  name: nameText(LIMITS.nameLength),
  ...measurementFields,
  /** The LDR that the readings are of. */
  part: ldrPartField,
  /** Spread of the bag it is from, in place of the typical one; `null` where that is not known. */
  bag: nullOr(bagField),
  ...circuitFields,
  /** What resistors are in stock: every proposal keeps to it. */
  resistors: stockField,
  midpoints: listOf(midpointField, { max: LIMITS.readings }),
  /** Share of the hours in which it is dark, for the life of a battery. */
  darkShare: within(LIMITS.supply.darkShare),
  /** The variant that is open: the design's own circuit; the others stand by. */
  variant: oneOf<VariantName>(...variantNames),
  others: listOf(exactly({ name: oneOf<VariantName>(...variantNames), circuit: circuitField }), {
    max: variantNames.length - 1,
  }),
});

/** A whole design. Immutable: an edit makes a new one. */
export type Project = Infer<typeof projectField>;

/**
 * Checks a value against the schema without changing it.
 * @returns the same value as a Project; or the path of the first thing wrong, such as `readings[2].lux`
 */
export function checkProject(
  value: unknown,
): Ok<{ project: Project }> | Refused<'damaged', { path: string }> {
  const found = checked(projectField, value, 'project');
  return found.ok ? { ok: true, project: found.value } : { ok: false, reason: 'damaged', path: found.path };
}

/** Whether a file can hold a circuit that comes from one that it can hold: only what differs is checked. */
export function canBecome(before: Circuitry, after: Circuitry): boolean {
  return keysOf(circuitFields).every(
    (key) => after[key] === before[key] || checked<unknown>(circuitFields[key], after[key], key).ok,
  );
}

/** What a voltmeter's figure at the midpoint may be, in V: only a rail under 0 V lets it come there. */
export function midLimits({ detector }: Pick<Project, 'detector'>): {
  readonly min: number;
  readonly max: number;
} {
  const { min, max } = LIMITS.midVolts;
  return { min: detectorDefinition(detector).lowVolts(detector) < 0 ? min : 0.001, max };
}
