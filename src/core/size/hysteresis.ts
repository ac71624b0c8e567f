import { benchOf } from '../analyse/bench';
import {
  DEFAULT_HYSTERESIS,
  searchSteps,
  type HysteresisChoice,
  type HysteresisSearch as PartsSearch,
} from '../detectors/comparator/hysteresis';
import type { ComparatorSettings } from '../detectors/comparator/settings';
import { withParts, type TripParts } from '../detectors/comparator/trips';
import { detectorOf } from '../detectors/registry';
import { changeGoal, setFixed } from '../project/edits';
import { LIMITS, type Project } from '../project/project';
import { resized } from './resize';
import type { Refused } from '../result';

export { DEFAULT_HYSTERESIS, type HysteresisChoice };

export type HysteresisSearch = PartsSearch | Refused<'no-comparator'>;

/**
 * Parts in stock that make a project’s comparator turn on at the goal’s light, and off at its other one where it has one; a trimmer stays
 * where there is one. The best ten, best first.
 * @param onProgress told the share that is done, from 0 to 1
 */
export async function searchHysteresis(
  project: Project,
  onProgress: (share: number) => void = () => undefined,
): Promise<HysteresisSearch> {
  const steps = stepsOf(project);
  if (!steps) return { ok: false, reason: 'no-comparator' };
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.done) return step.value;
    onProgress(step.value);
    await Promise.resolve();
  }
}

/** The same at once. @param enough so many good sets are enough, where only the first of them is wanted */
export function searchNow(project: Project, enough = Infinity): HysteresisSearch {
  const steps = stepsOf(project, enough);
  if (!steps) return { ok: false, reason: 'no-comparator' };
  for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value;
}

function stepsOf(project: Project, enough = Infinity) {
  const settings = detectorOf(project.detector, 'comparator');
  const { trimmer } = project.divider;
  // What is tried is a value of R1; the trimmer comes back when a set is taken.
  const bare = { ...project, divider: { ...project.divider, trimmer: null } };
  const { endOhms: min = 0, trackOhms = 0 } = trimmer ?? {};
  const travel = trimmer && { min: Math.max(LIMITS.fixedOhms.min, min), max: min + trackOhms };
  return settings && searchSteps(settings, benchOf<ComparatorSettings>(bare), travel, enough);
}

/** The project with the parts of a choice in place. */
export const takeParts =
  (parts: TripParts) =>
  (project: Project): Project => {
    const settings = detectorOf(project.detector, 'comparator');
    if (!settings) return project;
    const sized = setFixed(parts.fixedOhms)(project);
    return { ...sized, detector: withParts(settings, parts) };
  };

/**
 * The same design with hysteresis: it turns on at the goal as before, and turns off at so many times more light (or less),
 * with the first of the search's choices; as it was where there is none.
 */
export function withBand(project: Project, search: HysteresisSearch): Project {
  return search.ok && search.found[0] ? takeParts(search.found[0])(project) : project;
}

/** Among so many good sets there is one that another part of the lot moves little. */
const ENOUGH = 10;

/** The same design with parts, or a program's codes, for the two lights of its goal. */
export const bandSought = (project: Project): Project =>
  detectorOf(project.detector, 'comparator')
    ? withBand(project, searchNow(project, ENOUGH))
    : resized(project);

/** The light at which it turns off for a band of a ratio. */
export const bandGoal =
  (ratio: number) =>
  (project: Project): Project => {
    const { action, lux } = project.goal;
    const off = action === 'on-in-dark' ? lux * ratio : lux / ratio;
    return changeGoal({ offLux: Number(off.toPrecision(3)) })(project);
  };
