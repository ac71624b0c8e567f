import type { Net, OutputLevel } from '../parts/base';
import type { Draft } from '../parts/part';

/** The two ends of a band: where the load turns on, and where it turns off. */
export type GoalEnd = 'on' | 'off';

/** A condition on two nets: it holds once `V(plus) − share·V(minus) + offset` has the boundary's sign. */
export interface Trip {
  readonly plus: Net;
  readonly minus: Net;
  readonly share: number;
  readonly offsetVolts: number;
  /** How far share and offset of a part at either end of the lot lie from those of the typical one. */
  readonly shareSpread?: number;
  readonly offsetSpread?: number;
  /** How far an offset goes off with warmth, either way, in V/K. */
  readonly driftVoltsPerKelvin?: number;
}

/** The border between two states that follow on one another as it gets brighter. */
export interface Boundary {
  /** 1 where the trips' voltage rises with light, −1 where it falls. */
  readonly sense: 1 | -1;
  /** Judged in the darker state: when it is crossed to the brighter one; and the other way in the brighter one. */
  readonly rising: Trip;
  readonly falling: Trip;
}

/** What a detector does that hears only changes: steady light leaves it quiet, whatever the light. */
export interface Hearing {
  /** The output that is driven to where its inputs are alike, up to the rail on top. */
  readonly amplifier: { readonly key: string; readonly plus: Net; readonly minus: Net; readonly top: Net };
  /** It fires while this is above 0. */
  readonly trip: Trip;
  /** The place of the state that it has then; the other one is quiet. */
  readonly fired: number;
}

/** How a detector switches; its states follow on one another from dark to bright, a boundary between each two. */
export interface Switching {
  /** What drives the switch or the loads. */
  readonly out: Net;
  /** Level of every output, by its key, in each state. */
  readonly states: readonly Readonly<Record<string, OutputLevel>>[];
  /** Level of `out` in each state. */
  readonly levels: readonly OutputLevel[];
  readonly boundaries: readonly Boundary[];
  readonly hears?: Hearing;
}

/** A detector as its parts, and how it switches. */
export interface DetectorCircuit {
  readonly drafts: readonly Draft[];
  readonly switching: Switching;
}

export const otherLevel: Readonly<Record<OutputLevel, OutputLevel>> = { high: 'low', low: 'high' };
