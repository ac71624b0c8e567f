import { ldrOhmsAt } from '../ldr/curve';
import { takeDetector } from '../project/deciderEdits';
import { changeBaseResistor, changeDivider, changeGoal, driveDirectly } from '../project/edits';
import type { Project } from '../project/project';
import { defaultLoads, type Load } from '../loads/load';
import { measuredLdr } from '../readings/ldrOf';
import { atOrAbove, nearestOhms } from '../series/drawer';
import { isRatedForSupply, shippedComparators } from '../stages/comparators';
import type { DetectorKind, DetectorSettings } from '../stages/decider';
import { shippedTimers } from '../stages/timers';
import { defaultDetectors } from '../stages/usualDeciders';
import { resized } from './mend';
import { changeSteps, DEFAULT_WINDOW_RATIO } from './referenceString';
import { withAction } from './withAction';

/** Before the base of a transistor that an output drives, in Ω. */
const DEFAULT_BASE_OHMS = 4700;

/**
 * Lets something else decide, ready to work: wired for the wanted action, a resistor before a base, and the fixed resistor of
 * the drawer that switches nearest to the goal.
 */
export function chooseDetector(kind: DetectorKind): (project: Project) => Project {
  return (project) => {
    if (kind === project.detector.kind) return project;
    const taken = takeDetector(fitting(defaultDetectors[kind], project))(driveDirectly(false)(project));
    const held =
      kind !== 'transistor' && taken.driver.kind !== 'nmos' && taken.driver.baseOhms === null
        ? changeBaseResistor(DEFAULT_BASE_OHMS)(taken)
        : taken;
    const lit = withLights(rightSided(changeDivider({ trimmer: null })(held)));
    return resized(withAction(middlingFixed(lit)));
  };
}

/** With a part that works on the project's supply; as it is where none of the list does. */
function fitting(settings: DetectorSettings, { divider }: Project): DetectorSettings {
  const volts = divider.supplyVolts;
  if (settings.kind === 'timer') {
    const part = shippedTimers.find((timer) => isRatedForSupply(timer, volts));
    return part ? { ...settings, part } : settings;
  }
  if (settings.kind === 'transistor' || settings.kind === 'controller') return settings;
  // On a low supply both edges of a window want inputs that work right up to it.
  const wide = settings.kind === 'window' || settings.kind === 'change';
  const part = shippedComparators.find(
    (other) =>
      other.kind === settings.part.kind &&
      isRatedForSupply(other, volts) &&
      (!wide || other.inputHighVolts === 0 || volts > 5.5),
  );
  return part ? { ...settings, part } : settings;
}

/** Without a light to turn off at that lies on the side where it is on, as a window's does. */
function rightSided(project: Project): Project {
  const { action, lux, offLux } = project.goal;
  const isWrong = offLux !== null && (action === 'on-in-dark' ? offLux <= lux : offLux >= lux);
  return isWrong ? changeGoal({ offLux: null })(project) : project;
}

/** Lights to start from where a decider wants more than one: a window above the goal, steps of a ladder on either side. */
function withLights(project: Project): Project {
  const { detector, goal } = project;
  if (detector.kind === 'window') {
    // On between two lights is told as on in the light, and off again further up.
    return changeGoal({ action: 'on-in-light', offLux: Number((goal.lux * DEFAULT_WINDOW_RATIO).toPrecision(3)) })(project); // prettier-ignore
  }
  if (detector.kind === 'ladder') {
    const moreIn = goal.action === 'on-in-light' ? 'light' : 'dark';
    const way = moreIn === 'light' ? 1 : -1;
    const steps = [0, 1, 2, 3, 4].map((step) => Number((goal.lux * DEFAULT_STEP_RATIO ** (way * step)).toPrecision(2))); // prettier-ignore
    // What a step's own output can carry: an LED.
    const led = project.loads.find((load) => load.kind === 'led') ?? ledFor(project);
    // On a low supply the highest tap wants inputs that work right up to it.
    const wide = shippedComparators.find(
      ({ inputHighVolts, maxSupplyVolts }) =>
        inputHighVolts === 0 && maxSupplyVolts >= project.divider.supplyVolts,
    );
    const part = wide ?? detector.part;
    const turned: Project = { ...project, loads: [led], detector: { ...detector, moreIn, part } };
    return changeSteps(steps)(turned);
  }
  return project;
}

/** A usual LED with the drawer's resistor for its current. */
function ledFor({ divider, loadSupply, resistors }: Project): Load {
  const led = defaultLoads.led;
  if (led.kind !== 'led') return led;
  const exact = ((loadSupply?.volts ?? divider.supplyVolts) - led.forwardVolts) / led.wantedAmps;
  return { ...led, seriesOhms: atOrAbove(resistors, Math.max(10, exact))?.ohms ?? Math.max(10, exact) };
}

/** How far apart a ladder's steps are until someone says. */
const DEFAULT_STEP_RATIO = 2;

/** With the fixed resistor nearest to the LDR's own in the middle of the lights that matter: the steepest midpoint there. */
function middlingFixed(project: Project): Project {
  const { model } = measuredLdr(project);
  return changeDivider({
    fixedOhms: nearestOhms(project.resistors, ldrOhmsAt(model.curve, middleOf(project))),
  })(project);
}

function middleOf({ detector, goal }: Project): number {
  const lights = detector.kind === 'ladder' ? detector.stepLux : detector.kind === 'window' ? [goal.lux, goal.offLux ?? goal.lux] : [goal.lux]; // prettier-ignore
  return Math.exp(lights.reduce((total, lux) => total + Math.log(lux), 0) / lights.length);
}
