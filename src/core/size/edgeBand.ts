import { detectorDefinition } from '../detectors/registry';
import { takeDetector } from '../project/detectorEdits';
import type { Edit } from '../project/edits';
import { sizeDetector } from './resize';

/**
 * Gives each edge of a detector that has several a band, or takes it away, and puts all of them at their lights again.
 * @param ratio of the two lights of an edge; `null` for none
 */
export const changeEdgeBand =
  (ratio: number | null): Edit =>
  (project) => {
    const { detector } = project;
    const banded = detectorDefinition(detector).withEdgeBand(detector, ratio);
    return banded ? sizeDetector(takeDetector(banded)(project)) : project;
  };
