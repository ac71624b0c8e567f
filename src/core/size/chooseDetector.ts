import { ldrOhmsAt } from '../ldr/curve';
import { detectorDefinition, defaultDetectors } from '../detectors/registry';
import type { DetectorKind } from '../detectors/kinds';
import { defaultLoads, loadOf, type Load } from '../loads/registry';
import { takeDetector } from '../project/detectorEdits';
import { changeDivider, changeGoal, driveDirectly } from '../project/edits';
import type { Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import { atOrAbove, nearestOhms } from '../series/stock';
import { withBaseResistor } from './driveThrough';
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
  const { action, lux, offLux } = project.goal;
  const isWrong = offLux !== null && (action === 'on-in-dark' ? offLux <= lux : offLux >= lux);
  return isWrong ? changeGoal({ offLux: null })(project) : project;
}

/** Lights to start from where a detector wants more than one, and the load that its outputs can carry. */
function withLights(project: Project): Project {
  const { detector, goal, divider, loads } = project;
  const definition = detectorDefinition(detector);
  const lit = takeSized(definition.started(detector, goal, divider.supplyVolts))(project);
  return definition.wantsLed
    ? { ...lit, loads: [loads.find((load) => loadOf(load, 'led')) ?? ledFor(project)] }
    : lit;
}

/** A default LED with the resistor in stock for its current. */
function ledFor({ divider, loadSupply, resistors }: Project): Load {
  const { led } = defaultLoads;
  const exact = ((loadSupply?.volts ?? divider.supplyVolts) - led.forwardVolts) / led.wantedAmps;
  return { ...led, seriesOhms: atOrAbove(resistors, Math.max(10, exact))?.ohms ?? Math.max(10, exact) };
}

/** With the fixed resistor nearest to the LDR's own in the middle of the lights that matter: the steepest midpoint there. */
export function middlingFixed(project: Project): Project {
  const { model } = measuredLdr(project);
  const { detector, goal, resistors } = project;
  const middle = detectorDefinition(detector).middleLux(detector, goal);
  return changeDivider({ fixedOhms: nearestOhms(resistors, ldrOhmsAt(model.curve, middle)) })(project);
}
