import { benchOf } from '../analyse/bench';
import {
  DEFAULT_HYSTERESIS,
  searchSteps,
  withParts,
  type HysteresisChoice,
  type HysteresisSearch as PartsSearch,
} from '../detectors/comparator/hysteresis';
import type { ComparatorSettings } from '../detectors/comparator/settings';
import type { TripParts } from '../detectors/comparator/trips';
import { detectorOf } from '../detectors/registry';
import { changeDivider, changeGoal } from '../project/edits';
import type { Project } from '../project/project';
import type { Refused } from '../result';

export { DEFAULT_HYSTERESIS, type HysteresisChoice };

export type HysteresisSearch = PartsSearch | Refused<'no-comparator'>;

/**
 * Parts in stock that make a project's comparator turn on and off at the goal's two lights. The best ten, best first.
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

/** The same at once. */
export function searchNow(project: Project): HysteresisSearch {
  const steps = stepsOf(project);
  if (!steps) return { ok: false, reason: 'no-comparator' };
  for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value;
}

function stepsOf(project: Project) {
  const settings = detectorOf(project.detector, 'comparator');
  return settings && searchSteps(settings, benchOf<ComparatorSettings>(project));
}

/** The project with the parts of a choice in place. */
export const takeParts =
  (parts: TripParts) =>
  (project: Project): Project => {
    const settings = detectorOf(project.detector, 'comparator');
    if (!settings) return project;
    const sized = changeDivider({ fixedOhms: parts.fixedOhms, trimmer: null })(project);
    return { ...sized, detector: withParts(settings, parts) };
  };

/**
 * The same design with hysteresis: it turns on at the goal as before, and turns off at so many times more light (or less),
 * with the first of the search's choices; as it was where there is none.
 */
export function withBand(project: Project, search: HysteresisSearch): Project {
  return search.ok && search.found[0] ? takeParts(search.found[0])(project) : project;
}

/** The light at which it turns off for a band of a ratio. */
export const bandGoal =
  (ratio: number) =>
  (project: Project): Project => {
    const { action, lux } = project.goal;
    const off = action === 'on-in-dark' ? lux * ratio : lux / ratio;
    return changeGoal({ offLux: Number(off.toPrecision(3)) })(project);
  };
