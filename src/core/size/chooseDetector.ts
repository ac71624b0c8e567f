import { ldrOhmsAt } from '../ldr/curve';
import { detectorDefinition, defaultDetectors } from '../detectors/registry';
import type { DetectorKind } from '../detectors/kinds';
import { loadOf } from '../loads/registry';
import { takeDetector } from '../project/detectorEdits';
import { changeDivider, changeGoal, driveDirectly } from '../project/edits';
import { isWrongOff } from '../project/goalLights';
import type { Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import { nearestOhms } from '../series/stock';
import { driveThrough, withBaseResistor } from './driveThrough';
import { resized, takeSized } from './resize';
import { withAction } from './withAction';

/**
 * Lets something else switch, ready to work: wired for the wanted action, a resistor before a base, and the fixed resistor in
 * stock that switches nearest to the goal.
 */
export function chooseDetector(kind: DetectorKind): (project: Project) => Project {
  return (project) => {
    if (kind === project.detector.kind) return project;
    const settings = defaultDetectors[kind];
    const fitted = detectorDefinition(settings).fitted(settings, project.divider.supplyVolts);
    const taken = takeDetector(fitted)(driveDirectly(false)(project));
    const lit = withLights(rightSided(changeDivider({ trimmer: null })(withBaseResistor(taken))));
    return resized(withAction(middlingFixed(lit)));
  };
}

/** Without a light to turn off at that lies on the side where it is on, as a window's does. */
function rightSided(project: Project): Project {
  return isWrongOff(project.goal) ? changeGoal({ offLux: null })(project) : project;
}

/**
 * Lights to start from where a detector wants more than one; where each of its outputs has a load of its own that is the first
 * one of the project: an LED direct, anything else on a transistor.
 */
function withLights(project: Project): Project {
  const { detector, goal, divider, loads, resistors } = project;
  const definition = detectorDefinition(detector);
  const lit = takeSized(definition.started(detector, goal, divider.supplyVolts, resistors))(project);
  const [first] = loads;
  if (!definition.loadOutputs(detector) || !first) return lit;
  const single = { ...lit, loads: [first] };
  return loadOf(first, 'led') ? single : driveThrough('transistor')(single);
}

/** With the fixed resistor nearest to the LDR's own in the middle of the lights that matter: the steepest midpoint there. */
export function middlingFixed(project: Project): Project {
  const { model } = measuredLdr(project);
  const { detector, goal, resistors } = project;
  const middle = detectorDefinition(detector).middleLux(detector, goal);
  return changeDivider({ fixedOhms: nearestOhms(resistors, ldrOhmsAt(model.curve, middle)) })(project);
}
