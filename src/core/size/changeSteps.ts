import { withSteps } from '../detectors/ladder/definition';
import { detectorOf } from '../detectors/registry';
import type { Edit } from '../project/edits';
import { takeSized } from './resize';

/** Other lights for a ladder's steps: the goal is the first of them. Does nothing where another way switches. */
export const changeSteps =
  (stepLux: readonly number[]): Edit =>
  (project) => {
    const ladder = detectorOf(project.detector, 'ladder');
    return ladder ? takeSized(withSteps(ladder, stepLux))(project) : project;
  };
