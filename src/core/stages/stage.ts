import type { LedPoint } from '../loads/led';
import type { StageDescription } from './description';

/** When the load is meant to be on. */
export type Action = 'on-in-dark' | 'on-in-light';

/** Where the LDR stands in the divider: between supply and midpoint, or between midpoint and 0 V. */
export type LdrSide = 'top' | 'bottom';

/** All that a stage is built from, complete and in plain units. */
export interface StageInput {
  readonly supplyVolts: number;
  readonly ldrSide: LdrSide;
  readonly ldrOhms: number;
  readonly fixedOhms: number;
  /** Resistors across the LDR and in series with it; `null` for none. */
  readonly ldrParallelOhms: number | null;
  readonly ldrSeriesOhms: number | null;
  /** Resistor between midpoint and base; `null` for a wire. */
  readonly baseOhms: number | null;
  readonly beta: number;
  readonly led: LedPoint;
  readonly seriesOhms: number;
}

/** A way of deciding on and off. One file each; the registry lists them. */
export interface Stage {
  readonly kind: string;
  /** Which action the stage gives with the LDR on a side. */
  readonly actionOf: (ldrSide: LdrSide) => Action;
  /** The stage as its parts. */
  readonly describe: (input: StageInput) => StageDescription;
  /** Load current in A when the switch is driven as hard as anyone would; `null` where the circuit has no solution. */
  readonly fullAmps: (input: StageInput, celsius: number) => number | null;
  /** Guaranteed and usual current gain of the part, for drive and for the drawn curves. */
  readonly betas: { readonly least: number; readonly typical: number };
  /** Most current through the load and into the base that the part is made for, in A. */
  readonly limits: { readonly loadAmps: number; readonly baseAmps: number };
}
