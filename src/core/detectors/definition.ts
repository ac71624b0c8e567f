import type { LdrSide } from '../drivers/kinds';
import type { Net, OutputLevel } from '../parts/base';
import type { ComparatorModel } from '../parts/kinds/comparator';
import type { Field } from '../schema';
import type { ResistorStock } from '../series/stock';
import type { DetectorBench, GoalLights, Sized } from './bench';
import type { DetectorOutput } from './fields';
import type { DetectorSaying } from './finding';
import type { TimedPulse } from './outputStage/oneShot';
import type { DetectorCircuit, GoalEnd } from './switching';
import type { Thresholds } from './thresholds';

/** What a detector's parts hang on besides its settings. */
export interface DetectorContext {
  readonly ldrSide: LdrSide;
  readonly supplyVolts: number;
  /** The level that turns the load on, of what drives it. */
  readonly onLevel: OutputLevel;
  /** The same of the detector's own output: the other one where an inverter follows. */
  readonly ownOnLevel: OutputLevel;
}

/** What the goal means for a way of switching. */
export interface GoalMeaning {
  /** One light; the two edges of a window; the first of several steps; or only where a change starts from. */
  readonly lights: 'one' | 'window' | 'steps' | 'start';
  /** A light to turn off at may be asked for besides. */
  readonly asksOff: boolean;
}

/** Ways of sizing R1. */
export const sizingMethodIds = [
  'geometric-mean',
  'equal-at-goal',
  'own-threshold',
  'substitution',
  'trimmer',
] as const;
export type SizingMethodId = (typeof sizingMethodIds)[number];

/** What a way of switching cannot do, whatever its figures. */
export type InherentShortcoming = 'fixed-band' | 'needs-firmware';

/** Where the loads of a detector with several outputs hang, one after another. */
export interface LoadOutputs {
  /** The output of each load, or of the transistor before it; without one, current comes from `hot`: `null` for the rail. */
  readonly each: readonly { readonly out: Net; readonly hot: Net | null }[];
  /** Only one of them is on at a time. */
  readonly isOneAtATime: boolean;
}

/** A program that decides at its own times: by the mean of so many readings, and not before a time is over. */
export interface Sampling {
  /** From one reading to the next, in s. */
  readonly readingSeconds: number;
  readonly samples: number;
  /** It stays on so long at least, in s. */
  readonly minOnSeconds: number;
}

/** A detector that hears only changes of the midpoint: through a capacitor into a resistor, and by how much that is raised. */
export interface Coupling {
  readonly farads: number;
  readonly biasOhms: number;
  readonly gain: number;
  readonly triggerVolts: number;
}

/** All that the rest asks of a way of switching. One folder each; the registry lists them. */
export interface DetectorDefinition<S> {
  /** Settings, limits and defaults are one truth. */
  readonly field: Field<S>;
  readonly defaults: S;
  /** Its parts and how it switches; `null` where the transistor switches by itself. */
  readonly circuit: (settings: S, context: DetectorContext) => DetectorCircuit | null;
  /** What its output drives; `null` without one. */
  readonly output: (settings: S) => DetectorOutput | null;
  readonly withOutput: (settings: S, output: DetectorOutput) => S;
  /** What may be chosen of it: a transistor behind it, and the rail that its loads hang on without one. */
  readonly outputChoices: (settings: S) => { readonly transistor: boolean; readonly rail: boolean };
  /** An inverter, a one-shot or a toggle may follow it. */
  readonly takesOutputStage: boolean;
  /** Loads at outputs of their own, each the first of the project; `null` where all hang on one. */
  readonly loadOutputs: (settings: S) => LoadOutputs | null;
  /** The rail under the divider, against 0 V. */
  readonly lowVolts: (settings: S) => number;
  readonly goal: GoalMeaning;
  /** Which end of its band the goal's light is. */
  readonly goalEnd: (settings: S) => GoalEnd;
  /** The middle of the lights that matter, where a divider's midpoint should be steepest. */
  readonly middleLux: (settings: S, goal: GoalLights) => number;
  /** Whether it is put on its goal by R1, by values of its own ({@link DetectorDefinition.sized}), or has no light to be put at. */
  readonly sizes: 'fixed' | 'own' | 'none';
  /** What its own values are. */
  readonly sizedBy: 'codes' | 'string';
  /** Its own values for the goal; `null` where there are none, or R1 does it. */
  readonly sized: (settings: S, bench: DetectorBench<S>) => Sized<S> | null;
  /** What two midpoints measured in the dark and in the light set; `null` where they do not allow it. */
  readonly fromMidpoints: (
    settings: S,
    bench: DetectorBench<S>,
    darkVolts: number,
    lightVolts: number,
  ) => Sized<S> | null;
  /** Midpoints may set something at all. */
  readonly takesMidpoints: boolean;
  /** With a part that works on a supply; as it is where none of the list does. */
  readonly fitted: (settings: S, supplyVolts: number) => S;
  /** With another comparator; `null` where it is not made of such, or not of that sort. */
  readonly withComparator: (settings: S, part: ComparatorModel) => S | null;
  /** How far apart each of its edges is passed on either way, as a ratio of lights; `null` for no band. */
  readonly edgeBand: (settings: S) => number | null;
  /** With such a band, still to be sized; `null` where it has one light, or a band of another sort. */
  readonly withEdgeBand: (settings: S, ratio: number | null) => S | null;
  /** With loads that each are on by themselves; `null` where they are so already. */
  readonly withLoadsApart: (settings: S) => S | null;
  /** To start from: lights where it wants more than one, another action, values that are in stock. */
  readonly started: (settings: S, goal: GoalLights, supplyVolts: number, stock: ResistorStock) => Sized<S>;
  readonly recommendedSizing: SizingMethodId;
  readonly findings: (
    settings: S,
    bench: DetectorBench<S>,
    thresholds: Thresholds,
  ) => readonly DetectorSaying<S>[];
  /**
   * The settings with its action turned round: two inputs exchanged, or more on the other side of the first step; `null` where
   * its action follows from the LDR's side alone.
   */
  readonly swapped: (settings: S) => S | null;
  readonly shortcomings: readonly InherentShortcoming[];
  /** What makes one part of a lot differ from the next. */
  readonly spread: 'transistor' | 'offset' | 'thresholds' | 'exact';
  /** Its output can be a tone as well as a level. */
  readonly makesTone: boolean;
  /** How it decides in time, where it does so otherwise than at once. */
  readonly sampling: (settings: S) => Sampling | null;
  readonly coupling: (settings: S) => Coupling | null;
  /** The same with its own lights about another goal: a ladder's steps go with the first of them. */
  readonly atGoal: (settings: S, lux: number) => S;
  /** The same with every light of its own on another scale. */
  readonly withLights: (settings: S, moved: (light: number) => number) => S;
  /** Lights that it is asked for besides the goal's. */
  readonly wantedLights: (settings: S) => readonly number[];
  /** How long its output is on at a time, in s; `null` where that is as long as the light says. */
  readonly onSeconds: (settings: S, bench: DetectorBench<S>) => number | null;
  /** A pulse of its own that it makes, and what it is timed by. */
  readonly pulse: (settings: S) => TimedPulse | null;
}

/** A way of switching with one output to a transistor or a load, and one light. */
export const ONE_LIGHT = {
  takesOutputStage: true,
  outputChoices: () => ({ transistor: true, rail: true }),
  loadOutputs: () => null,
  lowVolts: () => 0,
  goal: { lights: 'one', asksOff: false },
  goalEnd: (): GoalEnd => 'on',
  middleLux: (_: unknown, { lux }: GoalLights) => lux,
  sizes: 'fixed',
  sizedBy: 'string',
  sized: () => null,
  takesMidpoints: true,
  fitted: <S>(settings: S) => settings,
  started: <S>(settings: S) => ({ settings }),
  swapped: () => null,
  withComparator: () => null,
  edgeBand: () => null,
  withEdgeBand: () => null,
  withLoadsApart: () => null,
  shortcomings: [],
  spread: 'offset',
  makesTone: false,
  sampling: () => null,
  coupling: () => null,
  atGoal: <S>(settings: S) => settings,
  withLights: <S>(settings: S) => settings,
  wantedLights: () => [],
  onSeconds: () => null,
  pulse: () => null,
} as const;
