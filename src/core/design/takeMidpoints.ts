import { ldrLuxAt } from '../ldr/curve';
import { changeComparator, changeDetector } from '../project/deciderEdits';
import { changeGoal, together, type Edit } from '../project/edits';
import type { Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import { findRoot } from '../numeric/findRoot';
import { nearestOhms } from '../series/drawer';
import { ldrOhmsAtMid } from '../stages/bareDivider';
import { adcCode } from '../stages/controller';
import {
  lowRailOf,
  type ComparatorSettings,
  type ControllerSettings,
  type TimerSettings,
} from '../stages/decider';
import { outputLevels, tripBranch, type Levels } from './comparatorTrips';
import { betweenMidpoints } from './fromMidpoints';
import { LiveCircuit } from './liveCircuit';
import { changeSteps, solveLadder, solveWindow } from './referenceString';

/** Hysteresis of a microcontroller about a measured threshold: so many codes, of a full scale of 1024. */
const CODES_APART = 24;
/** A control pin can be pulled so near to either rail, as a share of the supply. */
const CONTROL_SHARES = { min: 0.1, max: 0.95 } as const;

/**
 * Sets what decides by two midpoints measured in the dark and in the light: a comparator's reference, a microcontroller's codes
 * or the timer's control pin at the best threshold between them; a window's edges at the two; a ladder's steps evenly from one
 * to the other in the LDR's resistance; a change detector's trigger at half of the jump from one to the other.
 *
 * @returns the change; `null` where the midpoints do not allow it, or no such threshold is there to be set
 */
export function takeMidpoints(project: Project, darkVolts: number, lightVolts: number): Edit | null {
  const { detector, divider } = project;
  const between = betweenMidpoints(divider.supplyVolts, darkVolts, lightVolts, lowRailOf(detector));
  if (!between) return null;
  switch (detector.kind) {
    case 'transistor':
      return null;
    case 'comparator': {
      const { bottomOhms } = detector.reference;
      const exact = topFor(project, detector, between.volts);
      if (exact === null) return null;
      const topOhms = nearestOhms(project.resistors, exact);
      return changeComparator({ reference: { topOhms, bottomOhms, trimmer: null } });
    }
    case 'controller':
      return changeDetector('controller', codesAbout(detector, between.volts, divider.supplyVolts));
    case 'timer': {
      const control = controlFor(project, detector, between.volts);
      return control && changeDetector('timer', { control });
    }
    case 'window': {
      const lights = lightsAt(project, [darkVolts, lightVolts]);
      return lights && together(changeGoal({ lux: lights[0], offLux: lights[1] }), solveWindow);
    }
    case 'ladder': {
      const lights = lightsAt(project, [darkVolts, lightVolts]);
      if (!lights) return null;
      const [first, last] = lights as [number, number];
      const steps = detector.stepLux.length;
      const even = Array.from({ length: steps }, (_, step) => first * (last / first) ** (step / (steps - 1)));
      return together(changeSteps(even.map((lux) => Number(lux.toPrecision(3)))), solveLadder);
    }
    case 'change': {
      const jump = detector.gain * Math.abs(darkVolts - lightVolts);
      const triggerVolts = Number(Math.min(jump / 2, divider.supplyVolts / 2).toPrecision(3));
      return changeDetector('change', { triggerVolts });
    }
  }
}

/**
 * The upper resistor of a comparator's reference that puts the middle of its band (in the LDR's resistance) at a midpoint,
 * by the closed forms with the output at either of its solved levels; without feedback the threshold itself. `null` where
 * none does.
 */
function topFor(project: Project, detector: ComparatorSettings, volts: number): number | null {
  const { divider } = project;
  const { supplyVolts, fixedOhms, ldrSide } = divider;
  const { bottomOhms } = detector.reference;
  const plain = bottomOhms * (supplyVolts / volts - 1);
  if (!(plain > 0)) return null;
  const { feedbackOhms, sensorOhms } = detector;
  const levels = feedbackOhms === null ? null : outputLevels(project, detector);
  if (feedbackOhms === null || !levels) return plain;
  const share = (volts - lowRailOf(detector)) / (supplyVolts - volts);
  const wanted = Math.log(ldrSide === 'bottom' ? fixedOhms * share : fixedOhms / share);
  const over = (lnTop: number) => {
    const parts = { fixedOhms, bottomOhms, feedbackOhms, sensorOhms, topOhms: Math.exp(lnTop) };
    const at = (level: Levels['whenOn']) => Math.log(tripBranch(divider, detector, parts, level) ?? NaN);
    return (at(levels.whenOn) + at(levels.whenOff)) / 2 - wanted;
  };
  const near = Math.log(plain);
  const root = findRoot(over, near - NEAR_PLAIN, near + NEAR_PLAIN, { tolerance: 1e-4 });
  return root.ok ? Math.exp(root.x) : plain;
}

/** Feedback moves the upper resistor by no more than this from what it is without, as ln of the ratio. */
const NEAR_PLAIN = Math.log(2);

function codesAbout({ bits, refVolts, onWhen }: ControllerSettings, volts: number, supplyVolts: number) {
  const apart = Math.max(1, Math.round((CODES_APART * 2 ** bits) / 1024));
  const held = (wanted: number) => Math.min(2 ** bits - 1, Math.max(0, wanted));
  const onCode = adcCode(volts, refVolts ?? supplyVolts, bits);
  return { onCode, offCode: held(onWhen === 'above' ? onCode - apart : onCode + apart) };
}

/**
 * The resistor at a timer's control pin that puts the threshold that matters at a voltage: with the string's `r` above the pin
 * and `2r` below it, `(V − Vc)/r = Vc/2r + Vc/R` to 0 V, or the same with R to plus.
 */
function controlFor(project: Project, { part }: TimerSettings, volts: number): TimerSettings['control'] {
  const { supplyVolts } = project.divider;
  const live = new LiveCircuit(project, measuredLdr(project).model);
  const controlVolts = live.goalTrip?.minus === 'lower' ? 2 * volts : volts;
  const share = controlVolts / supplyVolts;
  if (share < CONTROL_SHARES.min || share > CONTROL_SHARES.max) return null;
  const { stringOhms } = part;
  const [above, below] = [(supplyVolts - controlVolts) / stringOhms, controlVolts / (2 * stringOhms)];
  if (Math.abs(above - below) < 1e-3 * below) return null;
  const exact =
    above > below ? controlVolts / (above - below) : (supplyVolts - controlVolts) / (below - above);
  return { ohms: nearestOhms(project.resistors, exact), to: above > below ? 'ground' : 'supply' };
}

/** The lights at which a bare midpoint has these voltages, from dark to bright. */
function lightsAt(project: Project, volts: readonly number[]): readonly number[] | null {
  const { curve } = measuredLdr(project).model;
  const lights = volts.flatMap((each) => {
    const ldrOhms = ldrOhmsAtMid(project.divider, each);
    const lux = ldrOhms === null ? null : ldrLuxAt(curve, ldrOhms);
    return lux === null ? [] : [Number(lux.toPrecision(3))];
  });
  return lights.length === volts.length ? lights.sort((one, other) => one - other) : null;
}
