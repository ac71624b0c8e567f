import type { Load } from '../loads/load';
import type { OutputStage } from './after';
import type { DetectorSettings } from './decider';
import type { Assembly } from './description';
import type { Grade, TransistorKind, TransistorPart } from './transistors';

/** When the load is meant to be on. */
export type Action = 'on-in-dark' | 'on-in-light';

/** Where the LDR stands in the divider: between supply and midpoint, or between midpoint and 0 V. */
export type LdrSide = 'top' | 'bottom';

/** On which side of the transistor the load hangs: at its collector (drain), or at its emitter (source). */
export type LoadPlace = 'collector' | 'emitter';

/** All that a stage is built from, complete and in plain units. */
export interface CircuitInput {
  readonly supply: { readonly volts: number; readonly ohms: number };
  /** The load's own supply; `null` where both sides share one. */
  readonly loadSupply: {
    readonly volts: number;
    readonly ohms: number;
    readonly commonGround: boolean;
  } | null;
  readonly ldrSide: LdrSide;
  readonly ldrOhms: number;
  readonly fixedOhms: number;
  /** The LDR feeds the base through the fixed resistor alone, with nothing to the other rail. */
  readonly isDirect: boolean;
  /** Resistors across the LDR and in series with it; `null` for none. */
  readonly ldrParallelOhms: number | null;
  readonly ldrSeriesOhms: number | null;
  /** Resistor between midpoint and base or gate; `null` for a wire. */
  readonly baseOhms: number | null;
  readonly part: TransistorPart;
  readonly grade: Grade;
  readonly place: LoadPlace;
  readonly detector: DetectorSettings;
  readonly outputStage: OutputStage;
  /** At least one. */
  readonly loads: readonly Load[];
}

/** What flows when the switch is driven as hard as anyone would. */
export interface FullDrive {
  /** Through all loads together, in A. */
  readonly amps: number;
  /** Through each; shape: loads. */
  readonly loadAmps: readonly number[];
  /** The load's rail as it sags under all of that, in V. */
  readonly railVolts: number;
  /** Voltage left over at the switch itself, in V. */
  readonly switchVolts: number;
}

/** A way of deciding on and off. One file each; the registry lists them. */
export interface Driver {
  readonly kind: TransistorKind;
  /** Which action the stage gives with the LDR on a side. */
  readonly actionOf: (ldrSide: LdrSide) => Action;
  /** Where the LDR must be for its own current to drive the stage; `null` where it never can. */
  readonly directSide: LdrSide | null;
  /** The stage as its parts. */
  readonly describe: (input: CircuitInput) => Assembly;
  /** The load with the switch driven hard; `null` where the circuit has no solution. */
  readonly full: (input: CircuitInput, celsius: number) => FullDrive | null;
}
