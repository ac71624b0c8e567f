import type { LightRange } from '../light/range';
import { lightRangeOf } from './lightRange';
import { judge } from '../readings/judge';
import { nextReading } from '../readings/nextReading';
import { actionOf } from '../stages/action';
import type { FullDrive } from '../stages/stage';
import type { Project } from '../project/project';
import { adviseOn, statesFrom } from './advise';
import { SHARES, type Analysis, type Design, type Drive } from './analysis';
import { measuredLdr } from '../readings/ldrOf';
import { thresholdsOf } from './decision';
import { LiveCircuit } from './liveCircuit';
import { ROOM_CELSIUS, circuitInput } from './stageInput';
import { loadFactsOf } from './loadFacts';
import { exactFixedOhms, fixedCandidates, type Candidate, type ExactFixed } from './sizing';
import { acrossLight } from './acrossLight';
import { memoized } from './remembered';

/**
 * Everything that follows from a project, by solving its one circuit: curves over light, the three switching points,
 * what the drive can hold, the resistors that would put it right, advice and the state of each step.
 *
 * @returns the design; `not-converged` where the circuit has no operating point somewhere on the axis
 */
export function analyse(project: Project): Analysis {
  const { model: ldr, resolved } = measuredLdr(project);
  const range = lightRangeOf(project);
  const live = new LiveCircuit(project, ldr);
  const { driver } = live;
  const full = lastFull(restOf(project), () =>
    driver.full(circuitInput(project, 1, 'typical'), ROOM_CELSIUS),
  );
  if (full === null) return { ok: false, reason: 'not-converged' };
  const fullAmps = full.amps;

  const action = actionOf(circuitInput(project, 1, 'typical'));
  const drive = driveOf(project, live, range, full);
  if (!drive) return { ok: false, reason: 'not-converged' };
  const thresholds = thresholdsOf(live, range, fullAmps);
  if (live.switching && !thresholds) return { ok: false, reason: 'not-converged' };
  const across = acrossLight(live, range, thresholds, fullAmps);
  if (!across) return { ok: false, reason: 'not-converged' };
  const { justOff, half, fullyOn, sweep, climbs } = across;
  const { exactFixed, candidates } = sizingOf(project, live, fullAmps, range);
  const found = {
    range,
    ldr,
    resolved,
    judgement: judge(project),
    next: nextReading(project, half.ok ? half.lux : project.goal.lux),
    assembly: live.assembly,
    action,
    sweep,
    justOff,
    half,
    fullyOn,
    softBandRatio: justOff.ok && fullyOn.ok ? (thresholds ? 1 : ratio(justOff.lux, fullyOn.lux)) : null,
    thresholds,
    drive,
    exactFixed,
    candidates,
    loads: loadFactsOf(project, live, full, range, thresholds, climbs),
  };
  const advice = adviseOn(project, found);
  const design: Design = { ...found, advice, states: statesFrom(advice) };
  return { ok: true, design };
}

interface Sizing {
  readonly exactFixed: ExactFixed;
  readonly candidates: readonly Candidate[];
}

const lastSizing = memoized<Sizing>();
const lastFull = memoized<FullDrive | null>();

/** While R1 alone is turned, what it should be stays what it is, and so does the load's full current. */
function sizingOf(project: Project, live: LiveCircuit, fullAmps: number, range: LightRange): Sizing {
  return lastSizing([...restOf(project), live.ldr, project.goal.lux, range, project.resistors], () => {
    const halfAmps = SHARES.half * fullAmps;
    const { goal, resistors } = project;
    const exactFixed = exactFixedOhms(live, halfAmps, goal.lux, range);
    const candidates = exactFixed.ok
      ? fixedCandidates(live, resistors, exactFixed.ohms, halfAmps, goal.lux, range)
      : [];
    return { exactFixed, candidates };
  });
}

/** All of a project's circuit but R1 and the LDR's curve. */
function restOf({
  divider,
  driver,
  detector,
  outputStage,
  loads,
  source,
  loadSupply,
}: Project): readonly unknown[] {
  return [
    ...Object.values({ ...divider, fixedOhms: 0 }),
    driver,
    detector,
    outputStage,
    loads,
    source,
    loadSupply,
  ];
}

function ratio(one: number, other: number): number {
  return Math.max(one, other) / Math.min(one, other);
}

/** What the weakest part of the lot guarantees at the end of the axis where the load is most on. */
function driveOf(project: Project, typical: LiveCircuit, range: LightRange, full: FullDrive): Drive | null {
  const { ldr } = typical;
  const { part } = project.driver;
  // Without a transistor there is none that could be weaker.
  const weakest = typical.assembly.transistor ? new LiveCircuit(project, ldr, { grade: 'min' }) : typical;
  const volts = weakest.solveOn(range);
  const defaultVolts = typical.solveOn(range);
  if (!volts || !defaultVolts) return null;
  const { baseAmps } = weakest.transistorIn(volts);
  const guaranteedAmps = weakest.loadAmpsIn(volts);
  const { control } = weakest.assembly.switchNodes;
  const { transistor } = weakest.assembly;
  const isBipolar = transistor !== null && part.kind !== 'nmos';
  const source = transistor?.kind === 'nmos' ? weakest.voltsIn(volts, transistor.source) : 0;
  const fullAmps = full.amps;
  return {
    fullAmps,
    fullSwitchVolts: full.switchVolts,
    reachedShare: typical.loadAmpsIn(defaultVolts) / fullAmps,
    baseAmps,
    forcedBeta: isBipolar ? fullAmps / Math.max(baseAmps, 1e-12) : null,
    minBeta: isBipolar ? part.minBeta : null,
    gateVolts: transistor?.kind === 'nmos' ? weakest.voltsIn(volts, control) - source : null,
    guaranteedAmps,
    saturates: guaranteedAmps >= SHARES.fullyOn * fullAmps,
    saturationVolts: weakest.switchVoltsIn(volts),
  };
}
