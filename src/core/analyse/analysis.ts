import type { Thresholds } from '../detectors/thresholds';
import type { Action } from '../drivers/kinds';
import type { LdrModel } from '../ldr/model';
import type { SwitchPoint } from '../light/crossing';
import type { LightRange } from '../light/range';
import type { Assembly } from '../operate/assembly';
import type { FullDrive } from '../operate/fullDrive';
import type { CircuitInput } from '../operate/input';
import type { ResolvedLights } from '../readings/resolveLights';
import type { PlacedLoadFacts } from './loadFacts';
import type { Extremes } from './curves/extremes';
import type { Conditions } from '../operate/operation';

/** Half of a load's current is no less than this, in A: what leaks is nothing that flows on purpose. */
export const LEAST_ON_AMPS = 1e-8;
/** Whether so much with the switch driven hard is nothing: a load that gets no more is at none of its points. */
export const isNothing = (fullAmps: number) => SHARES.half * fullAmps < LEAST_ON_AMPS;

/** Shares of the full load current at which the load counts as just off, half on and fully on. */
export const SHARES = { justOff: 0.01, half: 0.5, fullyOn: 0.9 } as const;

export interface Drive {
  /** Load current with the switch driven hard, in A: what the shares are shares of. */
  readonly fullAmps: number;
  /** What the loads count as fully on by, in A: that, or more where they get next to nothing. */
  readonly onAmps: number;
  /** So many transistors share that evenly, each with a load of its own; 1 where one carries all, or none does. */
  readonly switches: number;
  /** Load current at which the load counts as on, in A: half of full, or the pull-in of a coil that hangs there alone. */
  readonly switchAmps: number;
  readonly isPullIn: boolean;
  /** What the switch leaves over then, in V. */
  readonly fullSwitchVolts: number;
  /** Most load current on the axis with the typical gain, as a share of full. */
  readonly reachedShare: number;
  /** Base current at the end of the axis where the load is most on, with the least gain, in A. */
  readonly baseAmps: number;
  /** `fullAmps / switches / baseAmps`: what a transistor is asked for. */
  readonly forcedBeta: number | null;
  readonly minBeta: number | null;
  /** Gate against source there, in V; `null` for a bipolar part, as the two before are for a MOSFET. */
  readonly gateVolts: number | null;
  /** The highest threshold that is counted on there, in V. */
  readonly maxThresholdVolts: number | null;
  /** Load current that the weakest part of the lot guarantees there, in A: never more than full. */
  readonly guaranteedAmps: number;
  /** Whether that is at least 90 % of full. */
  readonly saturates: boolean;
  /** Voltage across the switch there, in V. */
  readonly saturationVolts: number;
}

/** Everything that solving a project's circuit says of it. May be sent to and from a worker; what is solved only when it is asked for is solved then. */
export interface CircuitAnalysis {
  /** What its circuit was put together from. */
  readonly input: CircuitInput;
  /** What it was solved under, where that is not what figures are for. */
  readonly conditions: Partial<Conditions>;
  readonly range: LightRange;
  readonly ldr: LdrModel;
  /** What its readings say of light: the scale that every light of the design is on, and each reading's place. */
  readonly resolved: ResolvedLights;
  readonly assembly: Assembly;
  /** The action that it gives, wanted or not. */
  readonly action: Action;
  readonly extremes: Extremes;
  /** 1 %, half (of a coil alone its pull-in) and 90 % of the full load current. */
  readonly justOff: SwitchPoint;
  readonly half: SwitchPoint;
  readonly fullyOn: SwitchPoint;
  /** What a detector makes of the light; `null` where the transistor switches by itself. It then stands for the three points: half and fully on are where it turns on, just off where it turns off. */
  readonly thresholds: Thresholds | null;
  /** The transition band: ratio of the lights at 1 % and 90 %, above 1 (1 for a detector); `null` where one of them is not reached. */
  readonly softBandRatio: number | null;
  readonly full: FullDrive;
  readonly drive: Drive;
  readonly loads: readonly PlacedLoadFacts[];
}
