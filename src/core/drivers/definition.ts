import type { Grade, Net } from '../parts/base';
import type { Draft } from '../parts/part';
import type { Field } from '../schema';
import type { ResistorStock } from '../series/stock';
import type { DriverFinding, DriverFix } from './finding';
import type { LdrSide, LoadPlace, TransistorKind } from './kinds';

/** The nets of a switch: its control, its end at the load, and its other end. */
export interface DriverNets {
  readonly control: Net;
  readonly out: Net;
  readonly far: Net;
}

/** What a switch does over the whole axis, and what is asked of it. */
export interface DriverFacts {
  /** Its load current driven hard, in A, and what it leaves over then, in V. */
  readonly fullAmps: number;
  readonly fullSwitchVolts: number;
  /** At the end of the axis where the load is most on, of the weakest part: base current, gate against source, load current. */
  readonly baseAmps: number;
  /** The gain that it has at least; `null` for a gate. */
  readonly minBeta: number | null;
  readonly gateVolts: number | null;
  /** The threshold that it has at most, in V; `null` for a base. */
  readonly maxThresholdVolts: number | null;
  readonly guaranteedAmps: number;
  readonly saturates: boolean;
  /** No detector snaps it over. */
  readonly isSoft: boolean;
  /** Where it should be off it keeps so much that it is not. */
  readonly isHeld: boolean;
  /** What its loads together take at the first moment, in A: cold filaments, motors that stand. */
  readonly inrushAmps: number;
  /** The most that each comes to anywhere on the axis, and at which light; `null` where a change fires it, in whatever light. */
  readonly worst: {
    readonly baseAmps: number;
    readonly baseAmpsLux: number | null;
    readonly transistorWatts: number;
    readonly transistorWattsLux: number | null;
    /** The same at lights where its base takes no more than it may. */
    readonly loadWatts: number;
    readonly loadWattsLux: number | null;
    readonly switchVolts: number;
    /** Between base and emitter or gate and source, either way. */
    readonly controlVolts: number;
  };
}

/** What a finding of a switch hangs on besides. */
export interface DriverSetting {
  readonly place: LoadPlace;
  readonly baseOhms: number | null;
  readonly isDirect: boolean;
  readonly sensorVolts: number;
  /** The load's own supply; `null` where both sides share one. */
  readonly loadVolts: number | null;
  readonly stock: ResistorStock;
  /** The supply can light the load at all, and its current can come back: else no drive would help. */
  readonly canLight: boolean;
  /** A detector's output before it: what it gives when on, and what it may; `null` where the midpoint drives it. */
  readonly output: { readonly onVolts: number; readonly maxAmps: number } | null;
  /** A load that the weakest part would saturate; `null` where there is none. */
  readonly lighterLoad: DriverFix | null;
}

/** Something to be told of a switch, how grave it is, and what would cure it. */
export interface DriverSaying {
  readonly state: 'look' | 'cannot';
  readonly finding: DriverFinding;
  readonly fix?: DriverFix | null;
}

/** Figures that every kind of transistor has. */
export interface TransistorFigures {
  readonly id: string;
  readonly name: string;
  readonly maxAmps: number;
  readonly maxVolts: number;
  readonly maxWatts: number;
}

/** What drives a switch as hard as anyone would: a current into its base, or a voltage at its control. */
export type HardDrive = { readonly amps: (loadAmps: number) => number } | { readonly volts: number | Net };

/** All that the rest asks of a kind of switching element. */
export interface DriverDefinition<M extends TransistorFigures> {
  readonly field: Field<M>;
  /** `n` turns on while its control is high, `p` while it is low. */
  readonly polarity: 'n' | 'p';
  readonly control: 'base' | 'gate';
  /** Its ends by name: that at which a load usually hangs, and that which its control is measured against. */
  readonly ends: Readonly<Record<LoadPlace, 'collector' | 'drain' | 'emitter' | 'source'>>;
  /** Kinds of part with the figures that parts of that size share closely enough; the first is taken first. */
  readonly shipped: readonly [M, ...M[]];
  /** Where the LDR must be for its own current to drive it; `null` where it never can. */
  readonly directSide: LdrSide | null;
  readonly part: (model: M, place: LoadPlace, nets: DriverNets) => Draft;
  /** Kinds that need less drive in its place, where the load wants more than it is given. */
  readonly lessDrive: readonly TransistorKind[];
  /** What makes one part of a lot differ from the next. */
  readonly spread: 'beta' | 'threshold';
  /** @param sensorVolts of the divider's supply; `loadVolts` of the load's rail */
  readonly hardDrive: (model: M, place: LoadPlace, sensorVolts: number, loadVolts: number) => HardDrive;
  /** How many times its base current a part of that grade carries; `null` for a gate. */
  readonly beta: (model: M, grade: Grade) => number | null;
  /** The gate's threshold of a part of that grade and warmth, in V; `null` for a base. */
  readonly thresholdVolts: (model: M, grade: Grade, celsius: number) => number | null;
  readonly findings: (model: M, facts: DriverFacts, setting: DriverSetting) => readonly DriverSaying[];
  /** What does not go together in an own part; `null` where all does. */
  readonly trouble: (model: M) => 'beta-order' | 'threshold-order' | null;
  /** Elements of the solved circuit in which its heat and base current are. */
  readonly measured: (designator: string) => {
    readonly kind: 'bipolar' | 'channel';
    readonly names: readonly string[];
    readonly base: string | null;
  };
}

/** The net that a switch's control is measured against. */
export const referenceNet = (place: LoadPlace, { out, far }: DriverNets): Net =>
  place === 'collector' ? far : out;
