import { ldrOhmsAt } from '../ldr/curve';
import { takeDetector } from '../project/deciderEdits';
import { changeGoal, together, type Edit } from '../project/edits';
import type { Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import { sourceOhms } from '../stages/bareDivider';
import { adcCode } from '../stages/controller';
import type { ControllerSettings } from '../stages/decider';
import { LiveCircuit } from './liveCircuit';

/** More source resistance than this leaves a converter's sampling capacitor half filled, in Ω. */
export const MAX_SOURCE_OHMS = 10_000;

/** A single reading of a converter wanders by about one code, one standard deviation. */
const NOISE_CODES = 1;
/** On and off must lie so many standard deviations of the mean apart: three from either. */
const APART_DEVIATIONS = 6;

/** Whether a microcontroller's noise alone carries it from one code to the other; and how many readings' mean would not be. */
export function codesApart({ onCode, offCode, samples }: ControllerSettings) {
  const apart = Math.abs(onCode - offCode);
  const wantedSamples = Math.ceil((APART_DEVIATIONS * NOISE_CODES) ** 2 / Math.max(1, apart) ** 2);
  return { apart, wantedSamples, isWide: samples >= wantedSamples };
}

/** What a microcontroller sees of the light about one of its codes. */
export interface CodeFacts {
  readonly code: number;
  readonly volts: number;
  /** Change of light for one code there, in the light's own unit. */
  readonly lightPerCode: number;
  /** How far the mean of the readings wanders, one standard deviation, in the light's own unit. */
  readonly wanderLight: number;
}

export interface ControllerFacts {
  readonly on: CodeFacts;
  readonly off: CodeFacts;
  /** Resistance that the pin sees at the goal: LDR and R1 side by side. */
  readonly sourceOhms: number;
  /** The largest code there is. */
  readonly maxCode: number;
}

/** `null` where no microcontroller decides, or the divider has no operating point. */
export function controllerFacts(project: Project): ControllerFacts | null {
  const { detector, goal, divider } = project;
  if (detector.kind !== 'controller') return null;
  const { model } = measuredLdr(project);
  const at = readerOf(project, detector);
  const factsAt = (lux: number): CodeFacts | null => {
    const [here, brighter, darker] = [at(lux), at(lux * 1.02), at(lux / 1.02)];
    if (!here || !brighter || !darker) return null;
    const perCode = (lux * (1.02 - 1 / 1.02)) / Math.abs(brighter.exact - darker.exact);
    const wanderLight = (NOISE_CODES * perCode) / Math.sqrt(detector.samples);
    return { code: here.code, volts: here.volts, lightPerCode: perCode, wanderLight };
  };
  const offLux = offLuxOf(project);
  const [on, off] = [factsAt(goal.lux), factsAt(offLux)];
  if (!on || !off) return null;
  const ldr = ldrOhmsAt(model.curve, goal.lux);
  return { on, off, sourceOhms: sourceOhms(divider, ldr), maxCode: 2 ** detector.bits - 1 };
}

function readerOf(project: Project, { bits, refVolts }: ControllerSettings) {
  const live = new LiveCircuit(project, measuredLdr(project).model);
  return (lux: number) => {
    const solved = live.solveIn(0, lux);
    if (!solved) return null;
    const volts = live.voltsIn(solved, 'mid');
    const reference = refVolts ?? live.voltsIn(solved, 'supply');
    return { volts, code: adcCode(volts, reference, bits), exact: (volts / reference) * 2 ** bits };
  };
}

/** A quarter more light, or less, to turn off, where nobody has said. */
const DEFAULT_OFF_RATIO = 1.25;
/** The light at which it shall turn off: the one said, where that lies on the side where it is off; else the usual one. */
function offLuxOf(project: Project): number {
  const { action, lux, offLux } = project.goal;
  const isRight = offLux !== null && (action === 'on-in-dark' ? offLux > lux : offLux < lux);
  return isRight ? offLux : defaultOffLux(project);
}

function defaultOffLux({ goal }: Project): number {
  return goal.action === 'on-in-dark' ? goal.lux * DEFAULT_OFF_RATIO : goal.lux / DEFAULT_OFF_RATIO;
}

/**
 * Codes for the goal's two lights: on from the code nearest to the voltage at the goal, off from that at the other light, a
 * quarter away where none is said; at least one code apart.
 */
export const takeCodes: Edit = (project) => {
  const { detector, goal, divider } = project;
  if (detector.kind !== 'controller') return project;
  const at = readerOf(project, detector);
  const offLux = Number(offLuxOf(project).toPrecision(3));
  const [on, off] = [at(goal.lux), at(offLux)];
  if (!on || !off) return project;
  const onWhen = (divider.ldrSide === 'bottom') === (goal.action === 'on-in-dark') ? 'above' : 'below';
  const max = 2 ** detector.bits - 1;
  const held = (code: number) => Math.min(max, Math.max(0, code));
  const up = onWhen === 'above';
  // "At least c" is passed at c, "at most c" at c + 1.
  const onCode = held(up ? Math.round(on.exact) : Math.round(on.exact) - 1);
  const wanted = held(up ? Math.round(off.exact) - 1 : Math.round(off.exact));
  const offCode = held(up ? Math.min(wanted, onCode - 1) : Math.max(wanted, onCode + 1));
  return together(takeDetector({ ...detector, onCode, offCode, onWhen }), changeGoal({ offLux }))(project);
};
