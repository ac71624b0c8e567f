import { luxBand } from '../ldr/model';
import type { LightRange } from '../light/range';
import { lightRangeOf } from './lightRange';
import { judge } from '../readings/judge';
import { nextReading } from '../readings/nextReading';
import { actionOf } from '../stages/action';
import type { FullDrive } from '../stages/stage';
import type { Project } from '../project/project';
import { adviseOn, statesFrom } from './advise';
import { SHARES, type Analysis, type Design, type Drive, type SwitchPoint } from './analysis';
import { around, findCrossing } from './crossing';
import { measuredLdr } from '../readings/ldrOf';
import { decisionOf, type BoundaryFacts, type Decision } from './decision';
import { LiveCircuit } from './liveCircuit';
import { ROOM_CELSIUS, stageInput } from './stageInput';
import { loadFactsOf } from './loadFacts';
import { exactFixedOhms, fixedCandidates, type Candidate, type ExactFixed } from './sizing';
import { sweepLight } from './sweep';

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
  const { stage } = live;
  const full = stage.full(stageInput(project, 1, 'typical'), ROOM_CELSIUS);
  if (full === null) return { ok: false, reason: 'not-converged' };
  const fullAmps = full.amps;

  const action = actionOf(stageInput(project, 1, 'typical'));
  const drive = driveOf(project, live, range, full);
  if (!drive) return { ok: false, reason: 'not-converged' };
  const decision = decisionOf(live, range, fullAmps);
  if (live.decided && !decision) return { ok: false, reason: 'not-converged' };
  const { justOff, half, fullyOn } = decision ? decidedPoints(decision) : softPoints(live, fullAmps, range);
  const steps = decision ? decision.boundaries.flatMap(lightsOf) : [];
  const hasBand = decision !== null && decision.boundaries.some(isPassedApart);
  // A decider jumps where it is passed; a transistor climbs, and is looked at closely there.
  const closely = decision ? null : switchingRange([justOff, half, fullyOn], range);
  const sweep = sweepLight(live, range, closely, steps, hasBand);
  if (!sweep) return { ok: false, reason: 'not-converged' };
  const { exactFixed, candidates } = sizingOf(project, live, fullAmps, range);
  const found = {
    range,
    ldr,
    resolved,
    judgement: judge(project),
    next: nextReading(project, half.ok ? half.lux : project.goal.lux),
    description: live.description,
    action,
    sweep,
    justOff,
    half,
    fullyOn,
    softBandRatio: justOff.ok && fullyOn.ok ? (decision ? 1 : ratio(justOff.lux, fullyOn.lux)) : null,
    decision,
    drive,
    exactFixed,
    candidates,
    loads: loadFactsOf(project, live, full, range, decision, closely ?? undefined),
  };
  const advice = adviseOn(project, found);
  const design: Design = { ...found, advice, states: statesFrom(advice) };
  return { ok: true, design };
}

/** A transistor's three points on its soft band. */
function softPoints(live: LiveCircuit, fullAmps: number, range: LightRange) {
  const half = switchPoint(live, SHARES.half * fullAmps, range);
  const near = half.ok ? around(half.lux, SOFT_BAND_AT_MOST, range) : undefined;
  return {
    half,
    justOff: switchPoint(live, SHARES.justOff * fullAmps, range, near),
    fullyOn: switchPoint(live, SHARES.fullyOn * fullAmps, range, near),
  };
}

/** A decider snaps: it has no soft band, but may turn off elsewhere than it turns on. */
function decidedPoints({ turnOn, turnOff, goalEnd }: Decision) {
  return { half: goalEnd === 'on' ? turnOn : turnOff, justOff: turnOff, fullyOn: turnOn };
}

/** Whether a boundary is passed at another light on the way up than on the way down. */
function isPassedApart({ rising, falling }: BoundaryFacts): boolean {
  if (!rising.ok || !falling.ok) return rising.ok !== falling.ok;
  return Math.abs(Math.log(rising.lux / falling.lux)) > PASSED_TOGETHER;
}

/** Nearer than this two lights are one, as a ratio's logarithm. */
const PASSED_TOGETHER = 1e-5;

function lightsOf({ rising, falling }: BoundaryFacts): readonly number[] {
  const lights = [rising, falling].flatMap((point) => (point.ok ? [point.lux] : []));
  return [...new Set(lights)];
}

interface Sizing {
  readonly exactFixed: ExactFixed;
  readonly candidates: readonly Candidate[];
}

/** The last sizing, with the design that it is of: while R1 alone is turned, its exact value stays what it is. */
let lastSizing: { readonly of: readonly unknown[]; readonly sizing: Sizing } | null = null;

function sizingOf(project: Project, live: LiveCircuit, fullAmps: number, range: LightRange): Sizing {
  const { divider, goal, resistors, stage, decider, after, loads, source, loadSupply } = project;
  const rest = { ...divider, fixedOhms: 0 };
  const of = [JSON.stringify(rest), live.ldr, goal.lux, range, resistors, stage, decider, after, loads, source, loadSupply]; // prettier-ignore
  if (lastSizing?.of.every((part, index) => part === of[index])) return lastSizing.sizing;
  const halfAmps = SHARES.half * fullAmps;
  const exactFixed = exactFixedOhms(live, halfAmps, goal.lux, range);
  const candidates = exactFixed.ok
    ? fixedCandidates(live, resistors, exactFixed.ohms, halfAmps, goal.lux, range)
    : [];
  const sizing = { exactFixed, candidates };
  lastSizing = { of, sizing };
  return sizing;
}

function ratio(one: number, other: number): number {
  return Math.max(one, other) / Math.min(one, other);
}

/** The stretch of light in which the load climbs, with a margin; `null` where it does not switch on the axis. */
function switchingRange(points: readonly SwitchPoint[], range: LightRange): LightRange | null {
  const lights = points.flatMap((point) => (point.ok ? [point.lux] : []));
  if (lights.length === 0) return null;
  return {
    leastLux: around(Math.min(...lights), SWITCHING_MARGIN, range).leastLux,
    mostLux: around(Math.max(...lights), SWITCHING_MARGIN, range).mostLux,
  };
}

/** How far beyond its outer points the load's curve is still bent, as a ratio of light. */
const SWITCHING_MARGIN = 1.4;

/** Just off and fully on rarely lie further from half on than this ratio. */
const SOFT_BAND_AT_MOST = 2;

function switchPoint(live: LiveCircuit, level: number, range: LightRange, near?: LightRange): SwitchPoint {
  const crossing = findCrossing((lux) => live.over(level, lux), range, near);
  if (!crossing.ok) return crossing;
  const band = luxBand(live.ldr, crossing.lux);
  return { ok: true, lux: crossing.lux, lowLux: band.low, highLux: band.high };
}

/** What the weakest part of the lot guarantees at the end of the axis where the load is most on. */
function driveOf(project: Project, usual: LiveCircuit, range: LightRange, full: FullDrive): Drive | null {
  const { ldr } = usual;
  const { part } = project.stage;
  // Without a transistor there is none that could be weaker.
  const weakest = usual.description.transistor ? new LiveCircuit(project, ldr, { grade: 'least' }) : usual;
  const volts = weakest.solveOn(range);
  const usualVolts = usual.solveOn(range);
  if (!volts || !usualVolts) return null;
  const { baseAmps } = weakest.transistorIn(volts);
  const guaranteedAmps = weakest.loadAmpsIn(volts);
  const { control } = weakest.description.switchNodes;
  const { transistor } = weakest.description;
  const isBipolar = transistor !== null && part.kind !== 'nmos';
  const source = transistor?.kind === 'nmos' ? weakest.voltsIn(volts, transistor.source) : 0;
  const fullAmps = full.amps;
  return {
    fullAmps,
    fullSwitchVolts: full.switchVolts,
    reachedShare: usual.loadAmpsIn(usualVolts) / fullAmps,
    baseAmps,
    forcedBeta: isBipolar ? fullAmps / Math.max(baseAmps, 1e-12) : null,
    leastBeta: isBipolar ? part.leastBeta : null,
    gateVolts: transistor?.kind === 'nmos' ? weakest.voltsIn(volts, control) - source : null,
    guaranteedAmps,
    holdsFullyOn: guaranteedAmps >= SHARES.fullyOn * fullAmps,
    saturationVolts: weakest.switchVoltsIn(volts),
  };
}
