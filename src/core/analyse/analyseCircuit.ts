import type { Action } from '../drivers/kinds';
import { fullDrive as findFullDrive } from '../operate/fullDrive';
import { actionIn } from '../operate/assemble';
import { memoize } from '../memoize';
import type { Conditions } from '../operate/operation';
import type { Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import type { Ok, Refused } from '../result';
import { acrossLight } from './curves/acrossLight';
import { climbOf } from './curves/drawn';
import type { Extremes } from './curves/extremes';
import { isNothing, type CircuitAnalysis } from './analysis';
import { circuitInput } from './circuitInput';
import { DesignCircuit } from './designCircuit';
import { driveOf } from './drive';
import { lightRangeOf } from './lightRange';
import { loadFactsOf } from './loadFacts';
import { thresholdsOf } from './thresholds';

/** While R1 alone is turned, the load's full current stays what it is: R1 has no part in it. */
const fullDrive = memoize(findFullDrive, 2);

/** The loads with the switch driven as hard as can be, whatever R1 is; `null` where the circuit has no solution. */
export const fullDriveOf = (project: Project, conditions: Partial<Conditions> = {}) =>
  fullDrive({ ...circuitInput(project), fixedOhms: 1, trimmer: null }, conditions);

/**
 * Everything that solving a project's one circuit says of it: what it comes to over light, the three switching points, a detector's
 * thresholds, what the drive can saturate, what becomes of the loads.
 *
 * @param conditions other than those that figures are for
 * @returns `not-converged` where the circuit has no operating point somewhere on the axis
 */
export function analyseCircuit(
  project: Project,
  conditions: Partial<Conditions> = {},
): Ok<{ analysis: CircuitAnalysis; circuit: DesignCircuit }> | Refused<'not-converged'> {
  const refused = { ok: false, reason: 'not-converged' } as const;
  const { model: ldr, resolved } = measuredLdr(project);
  const range = lightRangeOf(project);
  const circuit = DesignCircuit.of(project, ldr, conditions);
  const input = circuitInput(project);
  const full = fullDriveOf(project, conditions);
  if (!full) return refused;
  const drive = driveOf(project, circuit, { range, full, conditions });
  if (!drive) return refused;
  const thresholds = thresholdsOf(circuit, range, drive.onAmps);
  if (circuit.switching && !thresholds) return refused;
  const across = acrossLight(circuit, range, thresholds, drive);
  if (!across) return refused;
  const { justOff, half, fullyOn, extremes } = across;
  const action = actionIn(input, circuit.switching);
  const near = thresholds ? undefined : (climbOf(across, range) ?? undefined);
  const analysis: CircuitAnalysis = {
    input,
    conditions,
    range,
    ldr,
    resolved,
    assembly: circuit.assembly,
    action: thresholds ? action : actionInTruth(action, extremes.load, full.amps),
    extremes,
    justOff,
    half,
    fullyOn,
    thresholds,
    softBandRatio: justOff.ok && fullyOn.ok ? (thresholds ? 1 : ratio(justOff.lux, fullyOn.lux)) : null,
    full,
    // A load may pass its most on the way and fall again.
    drive: { ...drive, reachedShare: Math.max(drive.reachedShare, extremes.load.mostAmps / full.amps) },
    loads: loadFactsOf(project, circuit, full, { range, near }, thresholds, conditions),
  };
  return { ok: true, analysis, circuit };
}

/** So little of its full current is nothing, and so many times as much is the more of two. */
const [LITTLE_SHARE, MORE_TIMES] = [0.1, 2];

/**
 * What a transistor does by itself, by its load's currents at the ends of the range: as it is wired, unless current that comes another
 * way, as into a sensor supply under the load's, turns that round.
 */
function actionInTruth(
  wired: Action,
  { darkAmps: dark, brightAmps: bright }: Extremes['load'],
  fullAmps: number,
): Action {
  if (isNothing(fullAmps) || Math.max(dark, bright) < LITTLE_SHARE * fullAmps) return wired;
  if (dark > MORE_TIMES * bright) return 'on-in-dark';
  return bright > MORE_TIMES * dark ? 'on-in-light' : wired;
}

function ratio(one: number, other: number): number {
  return Math.max(one, other) / Math.min(one, other);
}
