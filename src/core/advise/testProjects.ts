import { analyse } from '../design';
import { detectorKinds } from '../detectors/kinds';
import { detectorDefinition, detectorOf } from '../detectors/registry';
import { shippedTransistors } from '../drivers/registry';
import { ledKinds } from '../loads/led';
import { loadKinds } from '../loads/kinds';
import { defaultLoads, type Load } from '../loads/registry';
import { batteryKinds, defaultSource, maxCells, sourceKinds } from '../loads/supply';
import { uniforms } from '../numeric/random';
import { changeDetector, changeOutput, changeOutputStage } from '../project/detectorEdits';
import {
  changeBaseResistor,
  changeDivider,
  changeDriver,
  changeGoal,
  changeLoadSupply,
  changeTrimmer,
  takeSource,
  takeTransistor,
  together,
  type Edit,
} from '../project/edits';
import { newProject } from '../project/newProject';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { defaultOutputStages } from '../detectors/outputStage/outputStage';
import { chooseDetector } from '../size/chooseDetector';
import { driveThrough } from '../size/driveThrough';
import { changeEdgeBand } from '../size/edgeBand';
import type { FindingCode } from './advice';

/** What chance gives, made of numbers from 0 to 1. */
class Dice {
  constructor(private readonly uniform: () => number) {}

  of<T>(first: T, ...others: readonly T[]): T {
    const all = [first, ...others];
    return all[Math.floor(this.uniform() * all.length)] ?? first;
  }

  oneOf<T>(all: readonly T[]): T {
    return all[Math.floor(this.uniform() * all.length)]!;
  }

  /** Evenly in its logarithm, three digits. */
  between(min: number, max: number): number {
    return Number((min * (max / min) ** this.uniform()).toPrecision(3));
  }

  chance(share: number): boolean {
    return this.uniform() < share;
  }
}

const RAILS = [3, 3.3, 4.5, 5, 6, 9, 12, 24] as const;

/** A load as people have it: the usual kinds with figures of their own. */
function someLoad(dice: Dice): Load {
  const kind = dice.oneOf(loadKinds);
  switch (kind) {
    case 'led': {
      const { id: led, forwardVolts, atAmps } = dice.oneOf(ledKinds);
      const wantedAmps = dice.of(0.002, 0.005, 0.01, 0.02);
      const inSeries = dice.of(1, 1, 1, 2, 3);
      return {
        ...defaultLoads.led,
        ...{ led, forwardVolts, atAmps, wantedAmps, inSeries },
        strings: dice.of(1, 1, 1, 2),
        seriesOhms: dice.between(47, 2200),
      };
    }
    case 'buzzer': {
      const ratedVolts = dice.of(3, 5, 12);
      return {
        ...defaultLoads.buzzer,
        ...{ ratedVolts, minVolts: Number((0.6 * ratedVolts).toPrecision(3)), maxVolts: 1.5 * ratedVolts },
        ratedAmps: dice.between(0.008, 0.04),
      };
    }
    case 'relay': {
      const coilVolts = dice.of(3, 5, 6, 9, 12, 24);
      return {
        ...defaultLoads.relay,
        coilVolts,
        coilOhms: Number((coilVolts ** 2 / dice.between(0.15, 0.6)).toPrecision(3)),
      };
    }
    case 'lamp':
      return { ...defaultLoads.lamp, ratedVolts: dice.of(2.5, 6, 12), ratedAmps: dice.between(0.05, 1) };
    case 'motor': {
      const ratedAmps = dice.between(0.05, 0.6);
      return {
        ...defaultLoads.motor,
        ratedVolts: dice.of(3, 6, 12),
        ratedAmps,
        stallAmps: Number((ratedAmps * dice.between(3, 7)).toPrecision(3)),
      };
    }
    case 'module':
      return {
        ...defaultLoads.module,
        input: dice.of('active-high', 'active-low'),
        ratedVolts: dice.of(5, 5, 12),
      };
    case 'strip':
      return {
        ...defaultLoads.strip,
        ...dice.of({ ratedVolts: 5, litVolts: 2.7 }, { ratedVolts: 12, litVolts: 8 }),
        ratedAmps: dice.between(0.05, 2),
      };
    case 'tone':
      return {
        ...defaultLoads.tone,
        source: dice.of('timer', 'timer', 'pin'),
        lowerOhms: dice.of(22_000, 10_000, 47_000),
      };
    case 'fan': {
      const ratedVolts = dice.of(5, 12, 24);
      return {
        ...defaultLoads.fan,
        ratedVolts,
        minVolts: 0.5 * ratedVolts,
        ratedAmps: dice.between(0.04, 0.3),
      };
    }
    case 'solenoid':
      return { ...defaultLoads.solenoid, coilVolts: dice.of(5, 6, 12, 24), coilOhms: dice.between(8, 100) };
    case 'logic':
      return {
        ...defaultLoads.logic,
        ...dice.of(
          { supplyVolts: 3.3, lowVolts: 0.8, highVolts: 2 },
          { supplyVolts: 5, lowVolts: 1.5, highVolts: 3.5 },
        ),
      };
  }
}

function someSupply(dice: Dice): { readonly source: Project['source']; readonly volts: number } {
  const kind = dice.oneOf(sourceKinds);
  const battery = dice.oneOf(batteryKinds).id;
  const cells = Math.min(maxCells(battery), dice.of(1, 2, 3, 4, 6, 8));
  return defaultSource(kind, dice.oneOf(RAILS), battery, cells);
}

/**
 * For tests: a project as someone new to it might make it: any way of switching, transistor, load, supply and output, with
 * values that are sometimes right and often not. The same seed gives the same one.
 */
export function someProject(seed: number): Project {
  const dice = new Dice(uniforms(seed));
  const start = dice.chance(0.5)
    ? newProject(`p${seed}`, 'Random')
    : { ...dice.oneOf(sampleProjects), others: [] };
  const supply = someSupply(dice);
  const own = someSupply(dice);
  const plain: Edit[] = [
    (project) => ({
      ...project,
      detector: { kind: 'transistor' },
      outputStage: { kind: 'direct' },
      feedbackLux: 0,
      beam: null,
      loadSupply: null,
    }),
    changeGoal({ action: dice.of('on-in-dark', 'on-in-light'), lux: dice.between(0.5, 5000), offLux: null }),
    takeSource(supply.source, supply.volts),
    takeTransistor(dice.oneOf(shippedTransistors)),
    changeDriver({ place: dice.of('collector', 'collector', 'collector', 'emitter') }),
    changeDivider({
      ldrSide: dice.of('top', 'bottom'),
      fixedOhms: dice.between(100, 1e6),
      trimmer: null,
      isDirect: false,
    }),
    changeBaseResistor(dice.of(null, dice.between(100, 1e5))),
    (project) => ({
      ...project,
      loads: dice.chance(0.15) ? [someLoad(dice), someLoad(dice)] : [someLoad(dice)],
    }),
  ];
  let project = together(...plain)(start);
  if (dice.chance(0.25)) project = changeLoadSupply({ ...own, commonGround: dice.chance(0.9) })(project);
  const detector = dice.chance(0.5) ? 'transistor' : dice.oneOf(detectorKinds);
  if (detector === 'transistor') {
    const { kind } = project.driver;
    if (dice.chance(0.15) && kind !== 'nmos' && kind !== 'pmos')
      project = changeDivider({ isDirect: true, ldrSide: dice.of('top', 'bottom') })(project);
    else if (dice.chance(0.1))
      project = changeTrimmer({ trackOhms: 1e5, endOhms: dice.of(0, 1000, 10_000), degrees: 270 })(project);
  } else {
    project = chooseDetector(detector)(project);
    const takes = detectorDefinition(project.detector).takesOutputStage;
    if (takes && dice.chance(0.25))
      project = changeOutputStage(defaultOutputStages[dice.of('inverted', 'one-shot', 'counted', 'toggle')])(
        project,
      );
    if (dice.chance(0.3))
      project = changeOutput({ to: 'load', loadRail: dice.of('ground', 'supply') })(project);
    const { loadOutputs } = detectorDefinition(project.detector);
    // Only where there are several outputs, so that all else is what it was.
    if (loadOutputs(project.detector) && dice.chance(0.6))
      project = together(
        driveThrough('transistor'),
        dice.of(
          changeOutput({}),
          changeOutput({ releaseOhms: dice.between(1000, 1e5) }),
          changeBaseResistor(dice.between(470, 1e5)),
        ),
      )(project);
    if (dice.chance(0.4)) project = changeEdgeBand(dice.of(null, 1.1, 1.3, 2))(project);
    // Someone turned something afterwards.
    if (dice.chance(0.5))
      project = together(
        dice.of(
          changeDivider({ fixedOhms: dice.between(100, 1e6) }),
          changeDivider({ ldrSide: dice.of('top', 'bottom') }),
          changeGoal({ action: dice.of('on-in-dark', 'on-in-light'), offLux: null }),
          takeSource(supply.source, supply.volts),
          changeGoal({ lux: dice.between(0.5, 5000), offLux: null }),
        ),
      )(project);
  }
  // Of a timer either of its lights may be the one that matters.
  if (detectorOf(project.detector, 'timer') && dice.chance(0.4))
    project = changeDetector('timer', { matters: 'off' })(project);
  return { ...project, id: `p${seed}`, name: `Random ${seed}` };
}

/** For tests: how often each finding says “cannot” of a project; none where it has no operating point. Measuring is another matter. */
export function cannotsOf(project: Project): ReadonlyMap<FindingCode, number> {
  const analysis = analyse(project);
  const counts = new Map<FindingCode, number>();
  if (!analysis.ok) return counts;
  for (const { state, step, code } of analysis.design.advice)
    if (state === 'cannot' && step !== 'measure') counts.set(code, (counts.get(code) ?? 0) + 1);
  return counts;
}
