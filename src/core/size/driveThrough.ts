import type { DetectorOutput } from '../detectors/fields';
import { detectorDefinition } from '../detectors/registry';
import { driverDefinition } from '../drivers/registry';
import { changeOutput } from '../project/detectorEdits';
import { changeBaseResistor, type Edit } from '../project/edits';
import type { Project } from '../project/project';
import { sizeDetector } from './resize';

/** Before the base of a transistor that an output drives, in Ω. */
const DEFAULT_BASE_OHMS = 4700;

/** An output drives a base through a resistor; a gate needs none. */
export function withBaseResistor(project: Project): Project {
  const { detector, driver } = project;
  const isDriven = detectorDefinition(detector).output(detector) !== null;
  const isBase = driverDefinition(driver.kind).control === 'base';
  return isDriven && isBase && driver.baseOhms === null
    ? changeBaseResistor(DEFAULT_BASE_OHMS)(project)
    : project;
}

/**
 * Lets outputs drive their loads through a transistor, with a resistor before its base, or direct. Where a feedback comes from
 * those outputs, its band is sized for what they stand at then.
 */
export const driveThrough =
  (to: DetectorOutput['to']): Edit =>
  (project) => {
    const changed = changeOutput({ to })(project);
    const driven = to === 'transistor' ? withBaseResistor(changed) : changed;
    const { detector } = driven;
    return detectorDefinition(detector).edgeBand(detector) === null ? driven : sizeDetector(driven);
  };
