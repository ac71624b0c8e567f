import { benchOf } from '../analyse/bench';
import type { GoalLights, Sized } from '../detectors/bench';
import { detectorDefinition, type DetectorSettings } from '../detectors/registry';
import { changeGoal, setFixed, together, type Edit } from '../project/edits';
import { takeDetector } from '../project/detectorEdits';
import { memoize } from '../memoize';
import type { Project } from '../project/project';
import { ohmsForGoal, sizeR1 } from './sized';

/** Takes over what sizing has found: settings of the detector, and lights of the goal that it had to choose. */
export function takeSized({ settings, goal = {} }: Sized<DetectorSettings>): Edit {
  return together(takeDetector(settings), changeGoal(definedOf(goal)));
}

const definedOf = (goal: Partial<GoalLights>): Partial<GoalLights> =>
  Object.fromEntries(Object.entries(goal).filter(([, value]) => value !== undefined));

/** So many are kept: while cures are sought many changes come to the same design before it is sized. */
const KEPT = 40;

/** A detector's own values for the goal, in the whole circuit. */
const sizedFor = memoize(
  (project: Project) => detectorDefinition(project.detector).sized(project.detector, benchOf(project)),
  KEPT,
);

/** A detector's own values for the goal, where it has some; as it was where there are none. */
export const sizeDetector: Edit = (project) => {
  const sized = sizedFor(project);
  return sized ? takeSized(sized)(project) : project;
};

/**
 * The same design put on its goal again, which another switch or load moves: by R1, a trimmer or the real resistor that switches nearest to it,
 * or by the detector's own values.
 */
export function resized(project: Project): Project {
  switch (detectorDefinition(project.detector).sizes) {
    case 'own':
      return sizeDetector(project);
    case 'none':
      return project;
    case 'fixed': {
      const sizing = sizeR1(project);
      const ohms = sizing ? ohmsForGoal(project, sizing) : undefined;
      return ohms === undefined ? project : setFixed(ohms)(project);
    }
  }
}
