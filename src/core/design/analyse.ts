import { luxBand } from '../ldr/model';
import { lightRangeAround, lightRangeFor, type LightRange } from '../light/range';
import { judge } from '../readings/judge';
import { namedLightOf } from '../readings/named';
import { nextReading } from '../readings/nextReading';
import { stages } from '../stages/registry';
import type { Project } from '../project/project';
import { adviseOn, statesFrom } from './advise';
import type { Analysis, Design, Drive, SwitchPoint } from './analysis';
import { around, findCrossing } from './crossing';
import { measuredLdr } from '../readings/ldrOf';
import { LiveCircuit, ROOM_CELSIUS, stageInput } from './liveCircuit';
import { endsFor, exactFixedOhms, fixedCandidates, sizeSeriesResistor } from './sizing';
import { sweepLight } from './sweep';

/** Shares of the full load current at which the load counts as just off, half on and fully on. */
export const SHARES = { justOff: 0.01, half: 0.5, fullyOn: 0.9 } as const;

/**
 * Everything that follows from a project, by solving its one circuit: curves over light, the three switching points,
 * what the drive can hold, the resistors that would put it right, advice and the state of each step.
 *
 * @returns the design; `not-converged` where the circuit has no operating point somewhere on the axis
 */
export function analyse(project: Project): Analysis {
  const stage = stages[project.stage.kind];
  const { model: ldr, resolved } = measuredLdr(project);
  const range = lightRangeOf(project);
  const live = new LiveCircuit(project, stage, ldr, stage.betas.typical);
  const fullAmps = stage.fullAmps(stageInput(project, 1, stage.betas.typical), ROOM_CELSIUS);
  if (fullAmps === null) return { ok: false, reason: 'not-converged' };

  const action = stage.actionOf(project.divider.ldrSide);
  const drive = driveOf(project, live, range, fullAmps);
  if (!drive) return { ok: false, reason: 'not-converged' };
  const half = switchPoint(live, SHARES.half * fullAmps, range);
  const near = half.ok ? around(half.lux, SOFT_BAND_AT_MOST, range) : undefined;
  const justOff = switchPoint(live, SHARES.justOff * fullAmps, range, near);
  const fullyOn = switchPoint(live, SHARES.fullyOn * fullAmps, range, near);
  const sweep = sweepLight(
    live,
    range,
    switchingRange([justOff, half, fullyOn], range),
    project.load.seriesOhms,
  );
  if (!sweep) return { ok: false, reason: 'not-converged' };
  const exactFixed = exactFixedOhms(live, SHARES.half * fullAmps, project.goal.lux, range);
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
    candidates: exactFixed.ok
      ? fixedCandidates(
          live,
          project.resistors,
          exactFixed.ohms,
          SHARES.half * fullAmps,
          project.goal.lux,
          range,
        )
      : [],
    series: sizeSeriesResistor(project),
    ledWatts: fullAmps * Math.max(0, project.divider.supplyVolts - fullAmps * project.load.seriesOhms - drive.saturationVolts), // prettier-ignore
  };
  const advice = adviseOn(project, found);
  const design: Design = { ...found, advice, states: statesFrom(advice) };
  return { ok: true, design };
}

/** The light axis of a project: on lux the usual one, widened to hold goal and readings; else as wide as they need. */
export function lightRangeOf(project: Project): LightRange {
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

/** What the least gain guarantees at the end of the axis where the load is most on. */
function driveOf(project: Project, usual: LiveCircuit, range: LightRange, fullAmps: number): Drive | null {
  const { stage, ldr } = usual;
  const { onLux } = endsFor(stage.actionOf(project.divider.ldrSide), range);
  const weakest = new LiveCircuit(project, stage, ldr, stage.betas.least);
  const volts = weakest.solve(onLux);
  const usualAmps = usual.loadAmps(onLux);
  if (!volts || usualAmps === null) return null;
  const { baseAmps } = weakest.transistorIn(volts);
  const guaranteedAmps = weakest.loadAmpsIn(volts);
  return {
    fullAmps,
    reachedShare: usualAmps / fullAmps,
    baseAmps,
    forcedBeta: fullAmps / Math.max(baseAmps, 1e-12),
    leastBeta: stage.betas.least,
    guaranteedAmps,
    holdsFullyOn: guaranteedAmps >= SHARES.fullyOn * fullAmps,
    saturationVolts: weakest.voltsIn(volts, 'collector'),
  };
}
