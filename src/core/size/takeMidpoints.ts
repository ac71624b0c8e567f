import { benchOf } from '../analyse/bench';
import { detectorDefinition } from '../detectors/registry';
import type { Edit } from '../project/edits';
import type { Project } from '../project/project';
import { takeSized } from './resize';

/**
 * Sets what switches by two midpoints measured in the dark and in the light: a comparator's reference, a microcontroller's codes
 * or the timer's control pin at the best threshold between them; a window's edges at the two; a ladder's steps evenly from one
 * to the other in the LDR's resistance; a change detector's trigger at half of the jump from one to the other.
 *
 * @returns the change; `null` where the midpoints do not allow it, or no such threshold is there to be set
 */
export function takeMidpoints(project: Project, darkVolts: number, lightVolts: number): Edit | null {
  const { detector } = project;
  const sized = detectorDefinition(detector).fromMidpoints(detector, benchOf(project), darkVolts, lightVolts);
  return sized && takeSized(sized);
}
