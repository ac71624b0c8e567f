import { changeComparator } from '../project/deciderEdits';
import type { Project } from '../project/project';
import type { Design } from './analysis';
import { findCrossing, type Crossing } from './crossing';
import { LiveCircuit } from './liveCircuit';

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
export function referenceTravel(project: Project, design: Design): ReferenceTravel | null {
  const { detector } = project;
  if (detector.kind !== 'comparator' || !detector.reference.trimmer) return null;
  const { reference } = detector;
  const { degrees, position } = detector.reference.trimmer;
  const at = (place: number) => {
    const trimmer = reference.trimmer && { ...reference.trimmer, position: Math.min(1, Math.max(0, place)) };
    const edit = changeComparator({ reference: { ...reference, trimmer } });
    return new LiveCircuit(edit(project), design.ldr);
  };
  const lightAt = (place: number) => {
    const live = at(place);
    return findCrossing((lux) => live.over(1, lux), design.range);
  };
  const referenceAt = (place: number) => {
    const live = at(place);
    const volts = live.solveIn(0, project.goal.lux);
    return volts ? live.voltsIn(volts, 'ref') : 0;
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
