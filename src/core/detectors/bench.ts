import type { Action } from '../drivers/kinds';
import type { LdrCurve } from '../ldr/curve';
import type { LdrDynamics } from '../ldr/dynamics';
import type { LightRange } from '../light/range';
import type { Net, OutputLevel } from '../parts/base';
import type { ResistorStock } from '../series/stock';
import type { BareDivider } from './bareDivider';
import type { Trip } from './switching';

/** When the load should switch: on at one light, and off again at another where that is said. */
export interface GoalLights {
  readonly action: Action;
  readonly lux: number;
  readonly offLux: number | null;
}

/** A design's circuit as a detector may ask it while it is sized: every answer is solved in the whole circuit. */
export interface DetectorBench<S> {
  readonly goal: GoalLights;
  readonly divider: BareDivider;
  readonly curve: LdrCurve;
  readonly dynamics: LdrDynamics;
  readonly range: LightRange;
  readonly stock: ResistorStock;
  /** Voltage of a net at a light, in V, with the detector held in a state; `null` where there is no operating point. */
  readonly voltsAt: (net: Net, lux: number, position: number) => number | null;
  /** Whether the load is on in each state, from dark to bright. */
  readonly isOn: readonly boolean[];
  /** The level of the outputs that drive the loads, or what carries them, at which those are on. */
  readonly onLevel: OutputLevel;
  /** The boundary that the goal is about, and the condition that its light is about. */
  readonly goalBoundary: number;
  readonly goalTrip: Trip | null;
  /** How far a boundary's condition is crossed at a light, in V: above 0 on its bright side; judged in the state it is left from. */
  readonly overBoundary: (index: number, way: 'rising' | 'falling', lux: number) => number | null;
  /** The same design with other settings, and another R1 where that is given. */
  readonly with: (settings: S, fixedOhms?: number) => DetectorBench<S>;
}

/** What sizing changes: settings, and the goal's lights where it had to choose one. */
export interface Sized<S> {
  readonly settings: S;
  readonly goal?: Partial<GoalLights>;
}
