import type { MeterId } from '../meter/meter';
import type { LedKindId } from '../loads/led';
import type { Action, LdrSide } from '../stages/stage';

/** One light and the resistance read at it. */
export interface Reading {
  readonly id: string;
  readonly lux: number;
  /** The resistance read, or the limit that it lies above. */
  readonly ohms: number;
  /** The meter was over its range: all that is known is R > `ohms`. */
  readonly above: boolean;
  /** Left out of the fit by the user; it stays listed. */
  readonly setAside: boolean;
}

/** When the load shall switch. */
export interface Goal {
  readonly action: Action;
  readonly lux: number;
}

export interface Divider {
  readonly supplyVolts: number;
  readonly ldrSide: LdrSide;
  readonly fixedOhms: number;
}

export interface NpnSettings {
  readonly kind: 'npn';
  /** Resistor between midpoint and base; `null` for a wire. */
  readonly baseOhms: number | null;
}

export interface LedLoad {
  readonly kind: 'led';
  readonly led: LedKindId;
  /** The LED's forward voltage at `atAmps`. */
  readonly forwardVolts: number;
  readonly atAmps: number;
  /** The current it shall have when fully on. */
  readonly wantedAmps: number;
  readonly seriesOhms: number;
}

/** A whole design. Immutable: an edit makes a new one. */
export interface Project {
  readonly id: string;
  readonly name: string;
  readonly readings: readonly Reading[];
  /** The kind of meter the readings are from; `null` where nothing is known of it. */
  readonly meter: MeterId | null;
  readonly goal: Goal;
  readonly divider: Divider;
  readonly stage: NpnSettings;
  readonly load: LedLoad;
}

/** What each value may be, in plain units; fields, schema and sizing all keep to these. */
export const LIMITS = {
  lux: { least: 0.0001, most: 1e6 },
  readingOhms: { least: 1, most: 1e9 },
  supplyVolts: { least: 0.9, most: 48 },
  fixedOhms: { least: 1, most: 1e8 },
  baseOhms: { least: 1, most: 1e7 },
  forwardVolts: { least: 0.8, most: 12 },
  ledAmps: { least: 0.0001, most: 1 },
  ratedAmps: { least: 0.0001, most: 0.1 },
  seriesOhms: { least: 1, most: 1e7 },
  nameLength: 80,
  readings: 1000,
} as const;
