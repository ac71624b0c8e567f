import { benchOf } from '../analyse/bench';
import type { GoalLights, Sized } from '../detectors/bench';
import { detectorDefinition, type DetectorSettings } from '../detectors/registry';
import { changeGoal, setFixed, together, type Edit } from '../project/edits';
import { takeDetector } from '../project/detectorEdits';
import type { Project } from '../project/project';
import { nearestCandidate, sizeR1 } from './sized';

/** Takes over what sizing has found: settings of the detector, and lights of the goal that it had to choose. */
export function takeSized({ settings, goal = {} }: Sized<DetectorSettings>): Edit {
  return together(takeDetector(settings), changeGoal(definedOf(goal)));
}

const definedOf = (goal: Partial<GoalLights>): Partial<GoalLights> =>
  Object.fromEntries(Object.entries(goal).filter(([, value]) => value !== undefined));

/** A detector's own values for the goal, where it has some; as it was where there are none. */
export const sizeDetector: Edit = (project) => {
  const { detector } = project;
  const sized = detectorDefinition(detector).sized(detector, benchOf(project));
  return sized ? takeSized(sized)(project) : project;
};

/**
 * The same design put on its goal again, which another switch or load moves: by the real resistor that switches nearest to it,
 * or by the detector's own values.
 */
export function resized(project: Project): Project {
  switch (detectorDefinition(project.detector).sizes) {
    case 'own':
      return sizeDetector(project);
    case 'none':
      return project;
    case 'fixed': {
      const nearest = nearestCandidate(sizeR1(project)?.candidates ?? [], project.goal.lux);
      return nearest ? setFixed(nearest.ohms)(project) : project;
    }
  }
}
