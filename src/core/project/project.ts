import type { BagSpread } from '../ldr/bag';
import { LOAD_LIMITS, type Load } from '../loads/load';
import { SUPPLY_LIMITS, type Source } from '../loads/supply';
import type { LdrPart } from '../readings/ldrPart';
import { MEASUREMENT_LIMITS } from '../readings/limits';
import type { Measurement, ReadingLight } from '../readings/reading';
import type { ResistorStock } from '../series/drawer';
import { COMPARATOR_LIMITS } from '../stages/comparators';
import type { OutputStage } from '../stages/after';
import { lowRailOf, type DetectorSettings } from '../stages/decider';
import type { Action, LdrSide, LoadPlace } from '../stages/stage';
import { TRANSISTOR_LIMITS, type TransistorKind, type TransistorPart } from '../stages/transistors';

/** When the load shall switch. */
export interface Goal {
  readonly action: Action;
  /** On the scale that the readings are on: lux, relative, or the place of a resistance (see `LightScale`). */
  readonly lux: number;
  /** The light at which it shall switch back, where that matters: beyond `lux` on the side where the load is off. */
  readonly offLux: number | null;
}

export interface Divider {
  readonly supplyVolts: number;
  readonly ldrSide: LdrSide;
  /** The fixed resistor; with a trimmer, what it and its end resistor are set to together. */
  readonly fixedOhms: number;
  readonly trimmer: Trimmer | null;
  /** The LDR drives the base through the fixed resistor alone, without a divider. */
  readonly isDirect: boolean;
  /** A resistor across the LDR that flattens its dark end, and one in series that keeps a floor; `null` for none. */
  readonly ldrParallelOhms: number | null;
  readonly ldrSeriesOhms: number | null;
  /** A dark and a light light that the divider shall tell apart, on the readings' scale; `null` for a fifth and five times the goal. */
  readonly lights: { readonly darkLux: number; readonly brightLux: number } | null;
  /** How warm it gets where the LDR sits. */
  readonly ambientCelsius: number;
}

/** A trimmer in place of the fixed resistor, with an end resistor that it cannot go below. */
export interface Trimmer {
  readonly trackOhms: number;
  /** 0 for none. */
  readonly endOhms: number;
  /** Travel of its screw from end to end: 270 for a single turn. */
  readonly degrees: number;
}

/** A midpoint that was measured on the bench, to hold against the predicted one. */
export interface MidpointCheck {
  readonly light: ReadingLight;
  readonly volts: number;
}

/** How the switch is made. */
export interface DriverSettings {
  readonly kind: TransistorKind;
  /** With all its figures, so that a project is whole by itself. */
  readonly part: TransistorPart;
  /** Resistor between midpoint and base or gate; `null` for a wire. */
  readonly baseOhms: number | null;
  readonly place: LoadPlace;
}

/** A supply of the load's own. */
export interface LoadSupply {
  readonly volts: number;
  readonly source: Source;
  /** Its minus is joined to the sensor side's 0 V. */
  readonly commonGround: boolean;
}

/** Variants of one design: the same LDR and drawer, each with a goal and a circuit of its own. */
export const variantNames = ['A', 'B', 'C'] as const;
export type VariantName = (typeof variantNames)[number];

/** What one variant of a design has of its own. */
export interface Circuitry {
  readonly goal: Goal;
  readonly divider: Divider;
  readonly driver: DriverSettings;
  /** What decides between divider and switch. */
  readonly detector: DetectorSettings;
  /** What comes between that and what it drives. */
  readonly outputStage: OutputStage;
  /** What the load adds at the LDR when it is fully on, on the readings' scale of light; 0 for none. */
  readonly feedbackLux: number;
  /** A beam onto the LDR that is broken and made whole; `null` without one. */
  readonly beam: { readonly ambientLux: number; readonly beamLux: number } | null;
  /** What hangs on the switch, side by side; one to six. */
  readonly loads: readonly Load[];
  /** What stands behind the divider's supply voltage. */
  readonly source: Source;
  /** `null` where one supply feeds both sides. */
  readonly loadSupply: LoadSupply | null;
}

/** A whole design. Immutable: an edit makes a new one. */
export interface Project extends Measurement, Circuitry {
  readonly id: string;
  readonly name: string;
  /** The LDR that the readings are of. */
  readonly part: LdrPart;
  /** Spread of the bag it is from, in place of the typical one; `null` where that is not known. */
  readonly bag: BagSpread | null;
  /** What resistors are at hand: every proposal keeps to it. */
  readonly resistors: ResistorStock;
  readonly midpoints: readonly MidpointCheck[];
  /** Share of the hours in which it is dark, for the life of a battery. */
  readonly darkShare: number;
  /** The variant that is open: the design's own circuit; the others stand by. */
  readonly variant: VariantName;
  readonly others: readonly { readonly name: VariantName; readonly circuit: Circuitry }[];
}

/** What each value may be, in plain units; fields, schema and sizing all keep to these. */
export const LIMITS = {
  ...MEASUREMENT_LIMITS,
  /** A light on any scale: a place on the axis of a project in ohms lies further out than any lux. */
  light: { min: 1e-9, max: 1e9 },
  supplyVolts: { min: 0.9, max: 48 },
  fixedOhms: { min: 1, max: 1e8 },
  trackOhms: { min: 10, max: 1e7 },
  endOhms: { min: 0, max: 1e7 },
  degrees: { min: 90, max: 9000 },
  ambientCelsius: { min: 1, max: 70 },
  midVolts: { min: -60, max: 60 },
  ownResistors: 400,
  trimmers: 60,
  baseOhms: { min: 1, max: 1e7 },
  load: LOAD_LIMITS,
  supply: SUPPLY_LIMITS,
  transistor: TRANSISTOR_LIMITS,
  comparator: COMPARATOR_LIMITS,
  feedbackLux: { min: 0, max: 1e9 },
  detectorOhms: { min: 1, max: 1e8 },
  negativeVolts: { min: 0, max: 30 },
  nameLength: 80,
} as const;

/** What a voltmeter's figure at the midpoint may be, in V: only a rail under 0 V lets it come there. */
export function midLimits({ detector }: Pick<Project, 'detector'>): {
  readonly min: number;
  readonly max: number;
} {
  const { min, max } = LIMITS.midVolts;
  return { min: lowRailOf(detector) < 0 ? min : 0.001, max };
}
