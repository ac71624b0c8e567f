import type { CircuitAnalysis } from '../analyse/analysis';
import { DesignCircuit } from '../analyse/designCircuit';
import { detectorOf } from '../detectors/registry';
import { findCrossing, type Crossing } from '../light/crossing';
import { changeDetector } from '../project/detectorEdits';
import type { Project } from '../project/project';

/** What a trimmer in the reference can set: the lights at both ends of its travel, and how fine it is where it stands. */
export interface ReferenceTravel {
  /** Where it turns on with the slider at the lower and at the upper end. */
  readonly atLower: Crossing;
  readonly atUpper: Crossing;
  /** Change of the turning-on light for one degree of the screw, and for a turn of a screw with several; `null` without an answer. */
  readonly lightPerDegree: number | null;
  readonly lightPerTurn: number | null;
  /** Volts of the reference for one degree. */
  readonly voltsPerDegree: number;
}

/** `null` without a trimmer in a comparator's reference. */
export function referenceTravel(
  project: Project,
  design: Pick<CircuitAnalysis, 'ldr' | 'range'>,
): ReferenceTravel | null {
  const detector = detectorOf(project.detector, 'comparator');
  if (!detector?.reference.trimmer) return null;
  const { reference } = detector;
  const { degrees, position } = detector.reference.trimmer;
  const at = (place: number) => {
    const trimmer = reference.trimmer && { ...reference.trimmer, position: Math.min(1, Math.max(0, place)) };
    const edit = changeDetector('comparator', { reference: { ...reference, trimmer } });
    return DesignCircuit.of(edit(project), design.ldr);
  };
  const lightAt = (place: number) => {
    const live = at(place);
    return findCrossing((lux) => live.over(1, lux), design.range);
  };
  const referenceAt = (place: number) => {
    const live = at(place);
    return live.solveIn(0, project.goal.lux)?.volts('ref') ?? 0;
  };
  // Towards the nearer middle, so that the step stays on the travel.
  const way = position < 0.5 ? 1 : -1;
  const here = lightAt(position);
  const moved = (angle: number) => {
    const there = lightAt(position + (way * angle) / degrees);
    return here.ok && there.ok ? Math.abs(there.lux - here.lux) : null;
  };
  return {
    atLower: lightAt(0),
    atUpper: lightAt(1),
    lightPerDegree: moved(1),
    lightPerTurn: degrees >= 720 ? moved(360) : null,
    voltsPerDegree: Math.abs(referenceAt(position + way / degrees) - referenceAt(position)),
  };
}
