import { circuitInput } from '../analyse/circuitInput';
import { loadSupplyOf, sizeSeriesResistor } from '../analyse/led/seriesResistor';
import type { ModuleInput } from '../loads/finding';
import { loadDefinition, loadOf } from '../loads/registry';
import { lowerOhmsFor } from '../loads/tone';
import type { SecondRelay } from '../loads/relay';
import { otherPolarity, driverDefinition, shippedTransistors, defaultTransistor } from '../drivers/registry';
import { IDEAL_SOURCE } from '../loads/supply';
import { fullDrive } from '../operate/fullDrive';
import { partsForCount } from '../detectors/outputStage/counted';
import { startingStage } from '../detectors/outputStage/outputStage';
import { partsForPulse, type OneShotParts } from '../detectors/outputStage/oneShot';
import { changeOutput, changeOutputStage, takeDetector } from '../project/detectorEdits';
import {
  changeBaseResistor,
  changeDivider,
  changeDriver,
  changeGoal,
  changeLoad,
  changeLoadSupply,
  driveDirectly,
  setFixed,
  swapLdrSide,
  takeSource,
  takeTransistor,
  together,
  type Edit,
} from '../project/edits';
import type { Project } from '../project/project';
import { atOrAbove } from '../series/stock';
import { changeEdgeBand } from '../size/edgeBand';
import { bandGoal, bandSought } from '../size/hysteresis';
import { goalForBeam } from '../size/goalForBeam';
import { resized } from '../size/resize';
import { actionOfProject, withAction } from '../size/withAction';
import type { Fix } from './advice';

/** The same edit, and the design put on its goal again. */
const thenResized =
  (edit: Edit): Edit =>
  (project) =>
    resized(edit(project));

/** The edit that carries out a fix. */
export function editFor(fix: Fix): Edit {
  switch (fix.kind) {
    case 'swap-ldr-side':
      return swapLdrSide;
    case 'use-divider':
      return thenResized(together(driveDirectly(false), swapLdrSide));
    case 'take-fixed':
      return setFixed(fix.ohms);
    case 'take-base':
      return changeBaseResistor(fix.ohms);
    case 'take-series':
      return changeLoad({ seriesOhms: fix.ohms }, fix.index);
    case 'lighten-load':
      return thenResized((project) => lightened(project, fix.amps));
    case 'take-part': {
      const part = shippedTransistors.find(({ id }) => id === fix.id);
      return part ? thenResized(takeTransistor(part)) : (project) => project;
    }
    case 'lower-supply':
      return thenResized((project) => ownSupplies(project, fix.volts));
    case 'match-cells':
      return thenResized((project) =>
        fix.isLoadSide
          ? changeLoadSupply(project.loadSupply && { ...project.loadSupply, volts: fix.volts })(project)
          : takeSource(project.source, fix.volts)(project),
      );
    case 'swap-edges':
      return thenResized((project) => {
        const { lux, offLux } = project.goal;
        return offLux === null ? project : changeGoal({ lux: offLux, offLux: lux })(project);
      });
    case 'goal-for-beam':
      return goalForBeam;
    case 'module-input':
      return thenResized((project) => otherInputs(project, fix.input));
    case 'output-rail':
      return thenResized((project) => withAction(changeOutput({ loadRail: fix.to })(project)));
    case 'resize':
      return resized;
    case 'set-detector': {
      const edit = takeDetector(fix.settings);
      return fix.resizes ? thenResized(edit) : edit;
    }
    case 'take-release':
      return together(changeBaseResistor(fix.baseOhms), changeOutput({ releaseOhms: fix.ohms }));
    case 'add-hysteresis':
      return together(bandGoal(fix.ratio), bandSought);
    case 'take-divider':
      return thenResized(setFixed(fix.ohms));
    case 'ldr-series':
      return thenResized(changeDivider({ ldrSeriesOhms: fix.ohms }));
    case 'search-band':
      return bandSought;
    case 'edge-band':
      return changeEdgeBand(fix.ratio);
    case 'switch-side':
      return thenResized((project) => otherSide(project, fix.to));
    case 'load-at-collector':
      return thenResized(changeDriver({ place: 'collector' }));
    case 'join-grounds':
      return (project) =>
        changeLoadSupply(project.loadSupply && { ...project.loadSupply, commonGround: true })(project);
    case 'one-supply':
      return changeLoadSupply(null);
    case 'set-output-stage':
      return changeOutputStage(fix.stage);
    case 'longer-pulse':
      return (project) => longerPulse(project, fix.seconds);
    case 'tone-by-timer':
      return tonesByTimer;
    case 'tone-resistor':
      return changeLoad({ lowerOhms: fix.ohms }, fix.index);
    case 'second-relay':
      return (project) => secondRelay(project, fix.amps, fix.index);
    case 'second-volts':
      return (project) => {
        const second = loadOf(project.loads[fix.index], 'relay')?.second;
        if (!second) return project;
        const { supplyVolts } = second;
        return changeLoad({ second: { ...second, ...coilFor(supplyVolts) } }, fix.index)(project);
      };
    case 'step-up-relay':
      return changeLoad({ contactAmps: fix.amps }, fix.index);
  }
}

/** What turns the load off by itself, with other parts: a count, or a timer IC's pulse, which is put in where there is none. */
function longerPulse(project: Project, seconds: number): Project {
  if (project.outputStage.kind === 'counted') {
    const parts = partsForCount(project.resistors, seconds);
    return parts.ok
      ? changeOutputStage({ kind: 'counted', ...resistorAndCapacitor(parts.found) })(project)
      : project;
  }
  const parts = partsForPulse(project.resistors, seconds);
  const [first] = parts.ok ? parts.found : [];
  const { outputStage, divider } = project;
  const present =
    outputStage.kind === 'one-shot' ? outputStage : startingStage('one-shot', divider.supplyVolts);
  return first ? changeOutputStage({ ...present, ...resistorAndCapacitor(first) })(project) : project;
}

/** Every load that may have an input of the other sort with that; with one in mind those that have it stay. */
const otherInputs = (project: Project, wanted?: ModuleInput): Project => ({
  ...project,
  loads: project.loads.map((load) => loadDefinition(load).withOtherInput(load, wanted) ?? load),
});

/** Every buzzer that waits for a pin's tone gets a timer IC of its own, at the pitch where it is loudest. */
function tonesByTimer(project: Project): Project {
  return project.loads.reduce((design, load, index) => {
    const tone = loadOf(load, 'tone');
    if (tone?.source !== 'pin') return design;
    const lowerOhms = lowerOhmsFor(tone, project.resistors) ?? tone.lowerOhms;
    return changeLoad({ source: 'timer', lowerOhms }, index)(design);
  }, project);
}

const resistorAndCapacitor = ({ ohms, farads }: OneShotParts) => ({ ohms, farads });

/** Large relays and contactors are sold for these volts, and take about so much. */
const COIL_VOLTS = [5, 6, 9, 12, 24, 48] as const;
const LARGE_COIL_WATTS = 1.2;

/** The coil sold whose volts are nearest to a supply's. */
function coilFor(supplyVolts: number): Pick<SecondRelay, 'coilVolts' | 'coilOhms'> {
  const off = (volts: number) => Math.abs(Math.log(volts / supplyVolts));
  const coilVolts = COIL_VOLTS.reduce<number>(
    (one, other) => (off(other) < off(one) ? other : one),
    COIL_VOLTS[0],
  );
  return { coilVolts, coilOhms: Number((coilVolts ** 2 / LARGE_COIL_WATTS).toPrecision(2)) };
}

/** A larger relay behind the present one, on a supply like the load's; one that is there gets larger contacts. */
function secondRelay(project: Project, contactAmps: number, index: number): Project {
  const present = loadOf(project.loads[index], 'relay')?.second;
  const coil = coilFor(loadSupplyOf(project).volts);
  const second = present
    ? { ...present, contactAmps }
    : { ...coil, supplyVolts: coil.coilVolts, contactAmps };
  return changeLoad({ second }, index)(project);
}

/** The sensor side on a low supply of its own, the load on what both had, grounds joined. */
function ownSupplies(project: Project, volts: number): Project {
  const { divider, source } = project;
  const loadSupply = project.loadSupply ?? { volts: divider.supplyVolts, source, commonGround: true };
  return together(changeLoadSupply(loadSupply), takeSource(IDEAL_SOURCE, volts))(project);
}

/** The same action with the switch on the other side of the load, which then stands at the collector. */
function otherSide(project: Project, to: 'low' | 'high'): Project {
  const kind = otherPolarity(project.driver.kind, to === 'low' ? 'n' : 'p');
  const part = kind === project.driver.kind ? project.driver.part : largeEnough(project, kind);
  const moved = together(changeDriver({ place: 'collector' }), takeTransistor(part))(project);
  const isSame = actionOfProject(moved) === actionOfProject(project);
  return isSame || moved.divider.isDirect ? moved : swapLdrSide(moved);
}

/** A part of another kind that carries what the present one does, where the list has one. */
function largeEnough({ driver }: Project, kind: Project['driver']['kind']) {
  const { shipped } = driverDefinition(kind);
  return shipped.find(({ maxAmps }) => maxAmps >= driver.part.maxAmps) ?? defaultTransistor(kind);
}

/** The same design with another LED current, and the series resistor for it. */
function lightened(project: Project, amps: number): Project {
  const lighter = changeLoad({ wantedAmps: amps })(project);
  const full = fullDrive(circuitInput(lighter));
  const [load] = lighter.loads;
  const sized = full && load ? sizeSeriesResistor(lighter, load, full, 0) : null;
  const real = sized?.ok ? atOrAbove(project.resistors, sized.exactOhms)?.ohms : undefined;
  return sized?.ok ? changeLoad({ seriesOhms: real ?? sized.exactOhms })(lighter) : lighter;
}
