import { luxBand } from '../ldr/model';
import { lightRangeAround, lightRangeFor, type LightRange } from '../light/range';
import { judge } from '../readings/judge';
import { namedLightOf } from '../readings/named';
import { nextReading } from '../readings/nextReading';
import type { FullDrive } from '../stages/stage';
import type { Project } from '../project/project';
import { adviseOn, statesFrom } from './advise';
import { SHARES, type Analysis, type Design, type Drive, type SwitchPoint } from './analysis';
import { around, findCrossing } from './crossing';
import { measuredLdr } from '../readings/ldrOf';
import { LiveCircuit, ROOM_CELSIUS, stageInput } from './liveCircuit';
import { loadFactsOf } from './loadFacts';
import { endsFor, exactFixedOhms, fixedCandidates, type Candidate, type ExactFixed } from './sizing';
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

  const action = stage.actionOf(project.divider.ldrSide);
  const drive = driveOf(project, live, range, full);
  if (!drive) return { ok: false, reason: 'not-converged' };
  const half = switchPoint(live, SHARES.half * fullAmps, range);
  const near = half.ok ? around(half.lux, SOFT_BAND_AT_MOST, range) : undefined;
  const justOff = switchPoint(live, SHARES.justOff * fullAmps, range, near);
  const fullyOn = switchPoint(live, SHARES.fullyOn * fullAmps, range, near);
  const sweep = sweepLight(live, range, switchingRange([justOff, half, fullyOn], range));
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
    softBandRatio: justOff.ok && fullyOn.ok ? ratio(justOff.lux, fullyOn.lux) : null,
    drive,
    exactFixed,
    candidates,
    loads: loadFactsOf(project, live, full, range),
  };
  const advice = adviseOn(project, found);
  const design: Design = { ...found, advice, states: statesFrom(advice) };
  return { ok: true, design };
}

interface Sizing {
  readonly exactFixed: ExactFixed;
  readonly candidates: readonly Candidate[];
}

/** The last sizing, with the design that it is of: while R1 alone is turned, its exact value stays what it is. */
let lastSizing: { readonly of: readonly unknown[]; readonly sizing: Sizing } | null = null;

function sizingOf(project: Project, live: LiveCircuit, fullAmps: number, range: LightRange): Sizing {
  const { divider, goal, resistors, stage, loads, source, loadSupply } = project;
  const rest = { ...divider, fixedOhms: 0 };
  const of = [JSON.stringify(rest), live.ldr, goal.lux, range, resistors, stage, loads, source, loadSupply];
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

/** The light axis of a project: on lux the usual one, widened to hold goal and readings; else as wide as they need. */
export function lightRangeOf(project: Project): LightRange {
  return same(rangeFor(project));
}

/** The last range again where it is the same: whoever draws an axis can tell by identity that it has not changed. */
let lastRange: LightRange = { leastLux: 0, mostLux: 0 };
function same(range: LightRange): LightRange {
  const isSame = range.leastLux === lastRange.leastLux && range.mostLux === lastRange.mostLux;
  lastRange = isSame ? lastRange : range;
  return lastRange;
}

function rangeFor(project: Project): LightRange {
  const { scale, lights } = measuredLdr(project).resolved;
  const held = [project.goal.lux, ...lights.filter((light) => light !== null)];
  if (scale === 'lux') return lightRangeFor(held);
  return lightRangeAround(scale === 'ohms' ? [...held, ...USUAL_NAMED_LIGHTS] : held);
}

/** A project in ohms shows at least the resistances that LDRs have in a lit room and at night. */
const USUAL_NAMED_LIGHTS = [namedLightOf(1000), namedLightOf(300_000)];

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
  const crossing = findCrossing((lux) => live.loadAmps(lux), level, range, near);
  if (!crossing.ok) return crossing;
  const band = luxBand(live.ldr, crossing.lux);
  return { ok: true, lux: crossing.lux, lowLux: band.low, highLux: band.high };
}

/** What the weakest part of the lot guarantees at the end of the axis where the load is most on. */
function driveOf(project: Project, usual: LiveCircuit, range: LightRange, full: FullDrive): Drive | null {
  const { stage, ldr } = usual;
  const { part } = project.stage;
  const { onLux } = endsFor(stage.actionOf(project.divider.ldrSide), range);
  const weakest = new LiveCircuit(project, ldr, { grade: 'least' });
  const volts = weakest.solve(onLux);
  const usualAmps = usual.loadAmps(onLux);
  if (!volts || usualAmps === null) return null;
  const { baseAmps } = weakest.transistorIn(volts);
  const guaranteedAmps = weakest.loadAmpsIn(volts);
  const { control } = weakest.description.switchNodes;
  const { transistor } = weakest.description;
  const source = transistor.kind === 'nmos' ? weakest.voltsIn(volts, transistor.source) : 0;
  const fullAmps = full.amps;
  return {
    fullAmps,
    fullSwitchVolts: full.switchVolts,
    reachedShare: usualAmps / fullAmps,
    baseAmps,
    forcedBeta: part.kind === 'nmos' ? null : fullAmps / Math.max(baseAmps, 1e-12),
    leastBeta: part.kind === 'nmos' ? null : part.leastBeta,
    gateVolts: transistor.kind === 'nmos' ? weakest.voltsIn(volts, control) - source : null,
    guaranteedAmps,
    holdsFullyOn: guaranteedAmps >= SHARES.fullyOn * fullAmps,
    saturationVolts: weakest.switchVoltsIn(volts),
  };
}
