import type { SwitchPoint } from '../light/crossing';
import type { GoalEnd } from './switching';

/** A border between two states of a detector: the lights at which it is crossed, and the midpoint there. */
export interface BoundaryFacts {
  /** As it gets brighter, and as it gets darker. */
  readonly rising: SwitchPoint;
  readonly falling: SwitchPoint;
  /** Voltage of the midpoint at each, in V; `null` where it is not crossed. */
  readonly risingVolts: number | null;
  readonly fallingVolts: number | null;
}

/** An input of a comparator that leaves the range in which it works. */
export interface InputTrouble {
  readonly designator: string;
  /** Which of its units. */
  readonly unit: string;
  readonly input: 'plus' | 'minus';
  /** Which end of its range, that limit and the voltage at the threshold, against 0 V. */
  readonly end: 'low' | 'high';
  readonly volts: number;
  readonly limitVolts: number;
}

/** What a detector makes of the light. */
export interface Thresholds {
  /** From dark to bright; shape: states − 1. */
  readonly boundaries: readonly BoundaryFacts[];
  /** Whether the load is on in each state, from dark to bright. */
  readonly isOn: readonly boolean[];
  /** The load is on between two lights (or outside them), not on one side of one. */
  readonly isWindow: boolean;
  /** Which end of its band the goal's light is. */
  readonly goalEnd: GoalEnd;
  /** Which boundary the goal is about. */
  readonly goalBoundary: number;
  readonly turnOn: SwitchPoint;
  readonly turnOff: SwitchPoint;
  /** The midpoint at either, in V; `null` where it is not reached. */
  readonly turnOnVolts: number | null;
  readonly turnOffVolts: number | null;
  /** Ratio of the lights of turning off and on, 1 without hysteresis; `null` where one is not reached. */
  readonly bandRatio: number | null;
  /** It would have to turn off where it is not yet on: it swings to and fro instead. */
  readonly isInverted: boolean;
  /** What drives switch or loads, when the load is on and when it is off, in V. */
  readonly onVolts: number;
  readonly offVolts: number;
  /** What the load still takes when it is off, as a share of its full current. */
  readonly offShare: number;
  /** Where one load is to be on alone: the most that another takes then, as a share of its current; 0 elsewhere. */
  readonly besideShare: number;
  /** Most current out of or into an output, in A, and what its part is rated for. */
  readonly outputAmps: number;
  readonly maxOutputAmps: number;
  readonly inputs: readonly InputTrouble[];
}

/** Which way the goal's boundary is crossed at the light that matters: turning on is judged while it is off, and turning off while it is on. */
export const goalWayOf = (isOnBelow: boolean, goalEnd: GoalEnd): 'rising' | 'falling' =>
  isOnBelow === (goalEnd === 'on') ? 'falling' : 'rising';

/** The two lights of an edge. */
export interface EdgeLights {
  readonly rising: number;
  readonly falling: number;
}

/** Both edges of a window, in light; `null` where it is none, or one of them is not passed on one way. */
export function windowEdges({
  boundaries,
  goalBoundary,
  isWindow,
}: Pick<Thresholds, 'boundaries' | 'goalBoundary' | 'isWindow'>): {
  readonly lower: EdgeLights;
  readonly upper: EdgeLights;
} | null {
  const [lower, upper] = [goalBoundary, goalBoundary + 1].map((index) => {
    const { rising, falling } = boundaries[index] ?? {};
    return rising?.ok && falling?.ok ? { rising: rising.lux, falling: falling.lux } : null;
  });
  return isWindow && lower && upper ? { lower, upper } : null;
}
