import type { Ok, Refused } from '../result';
import type { LdrModel } from '../ldr/model';
import type { LightRange } from '../light/range';
import type { Judgement } from '../readings/judge';
import type { NextReading } from '../readings/nextReading';
import type { ResolvedLights } from '../readings/resolveLights';
import type { Assembly } from '../stages/description';
import type { Action } from '../stages/stage';
import type { Advice, Step, StepState } from './advice';
import type { Crossing } from './crossing';
import type { Thresholds } from './decision';
import type { LoadFacts } from './loadFacts';
import type { Candidate, ExactFixed } from './sizing';
import type { Sweep } from './sweep';

/** Shares of the full load current at which the load counts as just off, half on and fully on. */
export const SHARES = { justOff: 0.01, half: 0.5, fullyOn: 0.9 } as const;

/** The light at which the load passes a share of its full current, with the 95 % range the LDR's curve leaves. */
export type SwitchPoint =
  Ok<{ lux: number; lowLux: number; highLux: number }> | Exclude<Crossing, Ok<unknown>>;

export interface Drive {
  /** Load current with the switch driven hard, in A: what the shares are shares of. */
  readonly fullAmps: number;
  /** What the switch leaves over then, in V. */
  readonly fullSwitchVolts: number;
  /** Most load current on the axis with the usual gain, as a share of full. */
  readonly reachedShare: number;
  /** Base current at the end of the axis where the load is most on, with the least gain, in A. */
  readonly baseAmps: number;
  /** `fullAmps / baseAmps`: what the transistor is asked for. */
  readonly forcedBeta: number | null;
  readonly minBeta: number | null;
  /** Gate against source there, in V; `null` for a bipolar part, as the two before are for a MOSFET. */
  readonly gateVolts: number | null;
  /** Load current that the weakest part of the lot guarantees there, in A: never more than full. */
  readonly guaranteedAmps: number;
  /** Whether that is at least 90 % of full. */
  readonly saturates: boolean;
  /** Voltage across the switch there, in V. */
  readonly saturationVolts: number;
}

/** Everything that follows from a project. Plain data: may be sent to and from a worker. */
export interface Design {
  readonly range: LightRange;
  readonly ldr: LdrModel;
  /** What its readings say of light: the scale that every light of the design is on, and each reading's place. */
  readonly resolved: ResolvedLights;
  readonly judgement: Judgement;
  /** The reading that would narrow the switching point most; `null` where none is worth it. */
  readonly next: NextReading | null;
  readonly assembly: Assembly;
  /** The action the wiring gives, wanted or not. */
  readonly action: Action;
  readonly sweep: Sweep;
  /** 1 %, half and 90 % of the full load current. */
  readonly justOff: SwitchPoint;
  readonly half: SwitchPoint;
  readonly fullyOn: SwitchPoint;
  /** What a decider makes of the light; `null` where the transistor itself decides. It then stands for the three points: half and fully on are where it turns on, just off where it turns off. */
  readonly thresholds: Thresholds | null;
  /** Ratio of the lights at 1 % and 90 %, above 1 (1 for a decider); `null` where one of them is not reached. */
  readonly softBandRatio: number | null;
  readonly drive: Drive;
  readonly exactFixed: ExactFixed;
  readonly candidates: readonly Candidate[];
  readonly loads: readonly LoadFacts[];
  /** Worst first. */
  readonly advice: readonly Advice[];
  readonly states: Readonly<Record<Step, StepState>>;
}

export type Analysis = Ok<{ design: Design }> | Refused<'not-converged'>;
