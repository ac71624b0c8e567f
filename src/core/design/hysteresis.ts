import { ldrLuxAt, ldrOhmsAt, type LdrCurve } from '../ldr/curve';
import { changeComparator } from '../project/deciderEdits';
import { together, changeDivider, changeGoal } from '../project/edits';
import type { Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import type { Ok, Refused } from '../result';
import { ldrOhmsWithin } from '../stages/bareDivider';
import type { ComparatorSettings } from '../stages/decider';
import { lightRangeOf } from './lightRange';
import { findCrossing, around } from './crossing';
import { outputLevels, tripBranch, type Levels, type TripParts } from './comparatorTrips';
import { candidatesFor } from './hysteresisCandidates';
import { LiveCircuit } from './liveCircuit';

/** Real parts for two lights, and what they give in the whole circuit. */
export interface HysteresisChoice extends TripParts {
  readonly onLux: number;
  readonly offLux: number;
  /** The larger of both errors, as ln of the ratio of lights. */
  readonly error: number;
  readonly bandRatio: number;
  /** How far the part's offset may move the light it turns on at, either way, as a share. */
  readonly spread: number;
  /** Through the reference, in A. */
  readonly referenceAmps: number;
}

export type HysteresisSearch =
  | Ok<{ readonly found: readonly HysteresisChoice[] }>
  | Refused<'not-reachable', { readonly nearest: HysteresisChoice | null }>
  | Refused<'no-comparator' | 'no-band' | 'band-inverted' | 'empty-stock' | 'not-converged'>;

/** Both lights within this is reached: 2 %. */
export const REACHED = Math.log(1.02);
/** How many of the closed forms' best are solved in the whole circuit, and how many are told. */
const SOLVED = 48;
const SHOWN = 10;
/** Errors under this count as none: what flows then decides. */
const GOOD_ENOUGH = Math.log(1.01);
/** Ten times the reference's current counts as much as this error. */
const CURRENT_WEIGHT = 0.004;
const LITTLE_AMPS = 1e-5;
/** A part of the work is done at a time, so that progress can be told. */
const PER_STEP = 6;

/**
 * Parts out of the drawer that make a comparator turn on and off at the goal's two lights: a search over divider, reference
 * and feedback by the closed forms, the best solved in the whole circuit. The best ten, best first.
 * @param onProgress told the share that is done, from 0 to 1
 */
export async function searchHysteresis(
  project: Project,
  onProgress: (share: number) => void = () => undefined,
): Promise<HysteresisSearch> {
  const steps = searchSteps(project);
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.done) return step.value;
    onProgress(step.value);
    await Promise.resolve();
  }
}

/** The same at once. */
export function searchNow(project: Project): HysteresisSearch {
  const steps = searchSteps(project);
  for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value;
}

function* searchSteps(project: Project): Generator<number, HysteresisSearch> {
  const { goal, detector } = project;
  if (detector.kind !== 'comparator') return { ok: false, reason: 'no-comparator' };
  if (goal.offLux === null) return { ok: false, reason: 'no-band' };
  const isRight = goal.action === 'on-in-dark' ? goal.offLux > goal.lux : goal.offLux < goal.lux;
  if (!isRight) return { ok: false, reason: 'band-inverted' };
  const { curve } = measuredLdr(project).model;
  const levels = outputLevels(project, detector);
  if (!levels) return { ok: false, reason: 'not-converged' };
  const figures = candidatesFor(project, detector, levels, ldrOhmsAt(curve, goal.lux), ldrOhmsAt(curve, goal.offLux)); // prettier-ignore
  if (figures === null) return { ok: false, reason: 'empty-stock' };
  yield 0.3;
  const rough = figures
    .map((parts) => ({ parts, error: roughError(project, curve, detector, parts, levels) }))
    .filter(({ error }) => Number.isFinite(error))
    .sort((one, other) => one.error - other.error)
    .slice(0, SOLVED);
  const solved: HysteresisChoice[] = [];
  for (let at = 0; at < rough.length; at += PER_STEP) {
    for (const { parts } of rough.slice(at, at + PER_STEP)) {
      const choice = solvedChoice(project, parts);
      if (choice) solved.push(choice);
    }
    yield 0.3 + (0.7 * Math.min(at + PER_STEP, rough.length)) / rough.length;
  }
  // Nearer than a hundredth is near enough: then what another part of the lot would move it by decides, and the current.
  const grade = ({ error, spread, referenceAmps }: HysteresisChoice) =>
    Math.max(error, GOOD_ENOUGH) + spread + CURRENT_WEIGHT * Math.log10(referenceAmps / LITTLE_AMPS);
  solved.sort((one, other) => grade(one) - grade(other));
  const found = solved.filter(({ error }) => error <= REACHED).slice(0, SHOWN);
  if (found.length > 0) return { ok: true, found };
  return { ok: false, reason: 'not-reachable', nearest: solved[0] ?? null };
}

/** The project with the parts of a choice in place. */
export const takeParts = ({ fixedOhms, topOhms, bottomOhms, feedbackOhms, sensorOhms }: TripParts) =>
  together(
    changeDivider({ fixedOhms, trimmer: null }),
    changeComparator({ reference: { topOhms, bottomOhms, trimmer: null }, feedbackOhms, sensorOhms }),
  );

/**
 * The same design with hysteresis: it turns on at the goal as before, and lets go at so many times more light (or less),
 * with the first of the search's choices; as it was where there is none.
 */
export function withBand(project: Project, search: HysteresisSearch): Project {
  return search.ok && search.found[0] ? takeParts(search.found[0])(project) : project;
}

/** What is put in when someone asks for hysteresis: a quarter more light to let go. */
export const DEFAULT_HYSTERESIS = 1.25;

/** The light at which it lets go for a band of a ratio. */
export const bandGoal =
  (ratio: number) =>
  (project: Project): Project => {
    const { action, lux } = project.goal;
    const off = action === 'on-in-dark' ? lux * ratio : lux / ratio;
    return changeGoal({ offLux: Number(off.toPrecision(3)) })(project);
  };

function roughError(
  project: Project,
  curve: LdrCurve,
  detector: ComparatorSettings,
  parts: TripParts,
  levels: Levels,
): number {
  const { goal, divider } = project;
  const at = (level: Levels['whenOn']) => {
    const branch = tripBranch(divider, detector, parts, level);
    const alone = branch === null ? null : ldrOhmsWithin(branch, divider);
    return (alone !== null && ldrLuxAt(curve, alone)) || NaN;
  };
  const [on, off] = [at(levels.whenOff), at(levels.whenOn)];
  return Math.max(Math.abs(Math.log(on / goal.lux)), Math.abs(Math.log(off / (goal.offLux ?? off))));
}

function solvedChoice(project: Project, parts: TripParts): HysteresisChoice | null {
  const { goal, divider } = project;
  const range = lightRangeOf(project);
  const live = new LiveCircuit(takeParts(parts)(project), measuredLdr(project).model);
  const { switching } = live;
  const index = live.goalBoundary;
  if (!switching) return null;
  const [onWay, offWay] = switching.isOn[index] ? (['falling', 'rising'] as const) : (['rising', 'falling'] as const); // prettier-ignore
  const at = (way: 'rising' | 'falling', near: number) =>
    findCrossing((lux) => live.overBoundary(index, way, lux), range, around(near, 1.5, range));
  const [on, off] = [at(onWay, goal.lux), at(offWay, goal.offLux ?? goal.lux)];
  if (!on.ok || !off.ok) return null;
  const error = Math.max(
    Math.abs(Math.log(on.lux / goal.lux)),
    Math.abs(Math.log(off.lux / (goal.offLux ?? off.lux))),
  );
  const bandRatio = Math.max(on.lux, off.lux) / Math.min(on.lux, off.lux);
  const referenceAmps = divider.supplyVolts / (parts.topOhms + parts.bottomOhms);
  const spread = offsetShare(live, index, onWay, on.lux, project);
  return { ...parts, onLux: on.lux, offLux: off.lux, error, bandRatio, spread, referenceAmps };
}

/** The part's offset over the slope of what it compares, in ln of light. */
function offsetShare(
  live: LiveCircuit,
  index: number,
  way: 'rising' | 'falling',
  lux: number,
  { detector }: Project,
): number {
  const step = 1.01;
  const [above, below] = [
    live.overBoundary(index, way, lux * step),
    live.overBoundary(index, way, lux / step),
  ];
  if (above === null || below === null || detector.kind !== 'comparator') return 0;
  return (detector.part.offsetVolts * 2 * Math.log(step)) / Math.max(1e-9, Math.abs(above - below));
}
