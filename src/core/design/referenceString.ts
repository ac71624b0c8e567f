import { ldrLuxAt } from '../ldr/curve';
import type { LdrModel } from '../ldr/model';
import { takeDetector } from '../project/deciderEdits';
import { together, changeGoal, type Edit } from '../project/edits';
import type { Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import type { Ok, Refused } from '../result';
import { nearestOhms, valuesIn } from '../series/drawer';
import { ldrOhmsAtMid } from '../stages/bareDivider';
import type { LadderSettings, WindowSettings } from '../stages/decider';
import { LiveCircuit } from './liveCircuit';

/** A string of real resistors whose taps are passed at wanted lights. */
export interface StringChoice {
  /** From the supply down; shape: lights + 1. */
  readonly ohms: readonly number[];
  /** The largest error of a tap, as ln of the ratio of lights. */
  readonly error: number;
}

export type StringSearch =
  Ok<{ readonly choice: StringChoice }> | Refused<'empty-stock' | 'out-of-reach' | 'not-converged'>;

/** Totals that are tried, in Ω. */
const TOTALS = { min: 10_000, max: 1_000_000, count: 160 } as const;
/** The string must carry so many times what all inputs take. */
const BIAS_TIMES = 20;

/**
 * The string that puts each of several lights at its own tap: the midpoint at each by the solved circuit, the differences as
 * shares of the string, and the total for which the drawer's values come nearest.
 * @param lights any order
 */
export function stringFor(project: Project, lights: readonly number[]): StringSearch {
  const { model } = measuredLdr(project);
  const live = new LiveCircuit(project, model);
  const { supplyVolts } = project.divider;
  const volts = lights.map((lux) => {
    const solved = live.solveIn(0, lux);
    return solved && live.voltsIn(solved, 'mid');
  });
  if (volts.some((each) => each === null)) return { ok: false, reason: 'not-converged' };
  const values = valuesIn(project.resistors);
  if (values.length === 0) return { ok: false, reason: 'empty-stock' };
  const taps = volts.map((each) => (each ?? 0) / supplyVolts).sort((one, other) => other - one);
  const shares = [1, ...taps].map((tap, index) => tap - (taps[index] ?? 0));
  if (shares.some((share) => share <= 0)) return { ok: false, reason: 'out-of-reach' };
  const max = supplyVolts / (BIAS_TIMES * Math.max(1e-9, biasOf(project) * 2 * lights.length));
  let best: StringChoice | null = null;
  for (let step = 0; step < TOTALS.count; step++) {
    const total = TOTALS.min * (TOTALS.max / TOTALS.min) ** (step / (TOTALS.count - 1));
    if (total > max) break;
    const ohms = shares.map((share) => nearestValue(values, share * total));
    const error = errorOf(project, model, ohms, lights);
    if (!best || error < best.error - 0.002) best = { ohms, error };
  }
  if (!best) return { ok: false, reason: 'out-of-reach' };
  return { ok: true, choice: project.resistors.pairs ? paired(project, model, best, shares, lights) : best };
}

/** The same total with two resistors for one where that comes nearer. */
function paired(
  project: Project,
  model: LdrModel,
  single: StringChoice,
  shares: readonly number[],
  lights: readonly number[],
): StringChoice {
  const total = single.ohms.reduce((sum, each) => sum + each, 0);
  const ohms = shares.map((share) => nearestOhms(project.resistors, share * total));
  const error = errorOf(project, model, ohms, lights);
  return error < single.error ? { ohms, error } : single;
}

/** The one of a rising list that is nearest by ratio. */
function nearestValue(values: readonly number[], ohms: number): number {
  let [low, high] = [0, values.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((values[middle] ?? 0) <= ohms) low = middle;
    else high = middle;
  }
  const [below, above] = [values[low] ?? ohms, values[high] ?? ohms];
  return ohms / below < above / ohms ? below : above;
}

function biasOf({ detector }: Project): number {
  return detector.kind === 'window' || detector.kind === 'ladder' ? Math.abs(detector.part.biasAmps) : 0;
}

/** Each tap's light by the bare divider, against the wanted one: only the ratio of resistors counts. */
function errorOf(
  project: Project,
  { curve }: LdrModel,
  ohms: readonly number[],
  lights: readonly number[],
): number {
  const { divider } = project;
  const total = ohms.reduce((sum, each) => sum + each, 0);
  let below = total;
  const found = ohms.slice(0, -1).map((each) => {
    below -= each;
    const ldrOhms = ldrOhmsAtMid(divider, (divider.supplyVolts * below) / total);
    return (ldrOhms !== null && ldrLuxAt(curve, ldrOhms)) || NaN;
  });
  const wanted = [...lights].sort((one, other) => one - other);
  found.sort((one, other) => one - other);
  const errors = found.map((lux, index) => Math.abs(Math.log(lux / (wanted[index] ?? lux))));
  return errors.some(Number.isNaN) ? Infinity : Math.max(...errors);
}

/** A window's string for the goal's two lights; as it was where there is none. */
export const solveWindow: Edit = (project) => {
  const { detector, goal } = project;
  if (detector.kind !== 'window') return project;
  const lights = [goal.lux, goal.offLux ?? goal.lux * DEFAULT_WINDOW_RATIO];
  const search = stringFor(project, lights);
  if (!search.ok) return project;
  const [topOhms = 1, middleOhms = 1, bottomOhms = 1] = search.choice.ohms;
  const settings: WindowSettings = { ...detector, topOhms, middleOhms, bottomOhms };
  return together(takeDetector(settings), changeGoal({ offLux: lights[1] ?? null }))(project);
};

/** How wide a window is until someone says. */
export const DEFAULT_WINDOW_RATIO = 4;

/** A ladder's string for the lights wanted; as it was where there is none. */
export const solveLadder: Edit = (project) => {
  const { detector } = project;
  if (detector.kind !== 'ladder') return project;
  const search = stringFor(project, detector.stepLux);
  if (!search.ok) return project;
  return takeDetector({ ...detector, stringOhms: search.choice.ohms })(project);
};

/** Another set of lights for a ladder's steps; the goal is the first one to come. Its string stays until it is solved. */
export function changeSteps(stepLux: readonly number[]): Edit {
  return (project) => {
    const { detector } = project;
    if (detector.kind !== 'ladder') return project;
    const rising = [...stepLux].sort((one, other) => one - other);
    const first = detector.moreIn === 'light' ? rising[0] : rising[rising.length - 1];
    const ohms = detector.stringOhms;
    const stringOhms =
      ohms.length === rising.length + 1
        ? ohms
        : Array.from({ length: rising.length + 1 }, () => ohms[ohms.length - 1] ?? 10_000);
    const settings: LadderSettings = { ...detector, stepLux: rising, stringOhms };
    return together(takeDetector(settings), changeGoal(first ? { lux: first } : {}))(project);
  };
}
