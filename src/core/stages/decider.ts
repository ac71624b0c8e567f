import type { ComparatorPart } from './comparators';
import type { TimerPart } from './timers';
import type { TransistorKind } from './transistors';
import type { Part } from './description';

/** Ways of deciding between divider and switch; with `transistor` the switch itself decides. */
export const detectorKinds = [
  'transistor',
  'comparator',
  'window',
  'ladder',
  'timer',
  'controller',
  'change',
] as const;
export type DetectorKind = (typeof detectorKinds)[number];

/** What a decider's output drives: the transistor of the stage, or the loads straight, hung on either rail. */
export interface DetectorOutput {
  readonly to: 'transistor' | 'load';
  /** The rail at the loads' other end, where the output drives them. */
  readonly loadRail: 'ground' | 'supply';
  /** Resistor from base to emitter (gate to source) that lets the transistor go; `null` for none. */
  readonly releaseOhms: number | null;
}

/** A trimmer in a reference: 0 with its slider at the lower end, 1 at the upper. */
export interface ReferenceTrimmer {
  readonly trackOhms: number;
  /** Travel of its screw from end to end: 270 for a single turn. */
  readonly degrees: number;
  readonly position: number;
}

/** The voltage that a comparator holds the midpoint against. */
export interface Reference {
  /** From the upper rail, and to 0 V; a top of `null` leaves the reference at 0 V behind the lower one. */
  readonly topOhms: number | null;
  readonly bottomOhms: number;
  /** Between the two, its slider at the input; `null` for none. */
  readonly trimmer: ReferenceTrimmer | null;
}

export interface ComparatorSettings {
  readonly kind: 'comparator';
  readonly part: ComparatorPart;
  /** Which input takes the midpoint; the other takes the reference. */
  readonly sensorInput: 'plus' | 'minus';
  readonly reference: Reference;
  /** From the output to the plus input: hysteresis; `null` for none. */
  readonly feedbackOhms: number | null;
  /** Between midpoint and plus input, where the feedback goes to the sensor's side; `null` for a wire. */
  readonly sensorOhms: number | null;
  /** From an open collector to the supply. */
  readonly pullUpOhms: number;
  /** How far the lower rail lies below 0 V; 0 for a single supply. */
  readonly negativeVolts: number;
  readonly output: DetectorOutput;
}

/** Two comparators on one string, their open collectors joined: on only between two lights. */
export interface WindowSettings {
  readonly kind: 'window';
  readonly part: ComparatorPart;
  /** The string from the supply down: to the upper threshold, to the lower one, to 0 V. */
  readonly topOhms: number;
  readonly middleOhms: number;
  readonly bottomOhms: number;
  readonly pullUpOhms: number;
  readonly output: DetectorOutput;
}

/** Comparators on one string, each with a load of its own: the first load of the project, so many times. */
export interface LadderSettings {
  readonly kind: 'ladder';
  readonly part: ComparatorPart;
  /** The string from the supply down; shape: steps + 1, 3 to 9. */
  readonly stringOhms: readonly number[];
  /** The light at which each step shall come, rising; shape: steps. */
  readonly stepLux: readonly number[];
  /** All up to the present step, or only the present one. */
  readonly shows: 'fill' | 'dot';
  /** Where more of them are on. */
  readonly moreIn: 'light' | 'dark';
  readonly output: DetectorOutput;
}

/** A timer IC with its two inputs joined: on and off at two fixed shares of its supply. */
export interface TimerSettings {
  readonly kind: 'timer';
  readonly part: TimerPart;
  /** From the control pin, which moves both thresholds; `null` leaves it alone. */
  readonly control: { readonly ohms: number; readonly to: 'ground' | 'supply' } | null;
  /** Which of its two lights the goal is: the other follows. */
  readonly matters: GoalEnd;
  /** As a one-shot straight from the divider: it starts at the trigger's ⅓ and lasts `R·C·ln 3`; `null` for a switch. */
  readonly pulse: { readonly ohms: number; readonly farads: number } | null;
  readonly output: DetectorOutput;
}

/** A microcontroller that reads the midpoint and drives a pin. */
export interface ControllerSettings {
  readonly kind: 'controller';
  readonly bits: number;
  /** What full scale is, in V; `null` for its own supply. */
  readonly refVolts: number | null;
  /** On at or past this code, off at or past that one. */
  readonly onCode: number;
  readonly offCode: number;
  /** On while the code is high, or while it is low. */
  readonly onWhen: 'above' | 'below';
  /** Readings that are averaged, and how long it stays on at least. */
  readonly samples: number;
  readonly minOnSeconds: number;
  /** Most current of a pin, in A. */
  readonly maxPinAmps: number;
  readonly output: DetectorOutput;
}

/** A coupling capacitor, a resistor and a gain before a comparator: fires for a moment when the light changes fast enough. */
export interface ChangeSettings {
  readonly kind: 'change';
  readonly part: ComparatorPart;
  readonly farads: number;
  readonly biasOhms: number;
  readonly gain: number;
  /** What the comparator holds it against, in V. */
  readonly triggerVolts: number;
  /** The change that shall fire it: the share of the light that goes (or comes), and how long it takes. */
  readonly dimming: number;
  readonly seconds: number;
  /** Ripple of the lamp it stands under, peak to peak, as a share. */
  readonly rippleShare: number;
  readonly output: DetectorOutput;
}

export type DetectorSettings =
  | { readonly kind: 'transistor' }
  | ComparatorSettings
  | WindowSettings
  | LadderSettings
  | TimerSettings
  | ControllerSettings
  | ChangeSettings;

/** The two ends of a band: where the load turns on, and where it turns off. */
export type GoalEnd = 'on' | 'off';

/** A condition on two nodes: it holds once `V(plus) − share·V(minus) + offset` has the boundary's sign. */
export interface Trip {
  readonly plus: string;
  readonly minus: string;
  readonly share: number;
  readonly offsetVolts: number;
}

/** The border between two states that follow on one another as it gets brighter. */
export interface Boundary {
  /** 1 where the trips' voltage rises with light, −1 where it falls. */
  readonly sense: 1 | -1;
  /** Judged in the darker state: when it passes to the brighter one; and the other way in the brighter one. */
  readonly rising: Trip;
  readonly falling: Trip;
}

export type OutputLevel = 'high' | 'low';

/** What decides, as its parts; its states follow on one another from dark to bright, a boundary between each two. */
export interface Switching {
  readonly parts: readonly Part[];
  /** What drives the switch or the loads. */
  readonly out: string;
  /** Level of every output, by designator, in each state. */
  readonly states: readonly Readonly<Record<string, OutputLevel>>[];
  /** Level of `out` in each state. */
  readonly levels: readonly OutputLevel[];
  readonly boundaries: readonly Boundary[];
  /** Which end of its band the goal's light is; usually where it turns on. */
  readonly goalEnd?: GoalEnd;
}

/** The output level that turns the loads on. @param kind of the transistor that an output may drive */
export function onLevel(
  { output }: Exclude<DetectorSettings, { kind: 'transistor' }>,
  part: { readonly kind: TransistorKind },
): OutputLevel {
  if (output.to === 'load') return output.loadRail === 'ground' ? 'high' : 'low';
  return part.kind === 'pnp' ? 'low' : 'high';
}

/** The rail under the divider, against 0 V: under it with a comparator on a supply of both signs. */
export function lowRailOf(detector: DetectorSettings): number {
  return detector.kind === 'comparator' ? 0 - detector.negativeVolts : 0;
}
