import { changeComparator, changeDetector, changeOutput, swapInputs } from '../project/deciderEdits';
import {
  changeBaseResistor,
  changeDivider,
  changeGoal,
  changeLoad,
  changeLoadSupply,
  changeDriver,
  driveDirectly,
  swapLdrSide,
  takeSource,
  takeTransistor,
  together,
  type Edit,
} from '../project/edits';
import type { Project } from '../project/project';
import { IDEAL_SOURCE } from '../loads/supply';
import { atOrAbove } from '../series/drawer';
import { actionOf } from '../stages/action';
import { drivers } from '../stages/registry';
import { shippedParts, defaultPart } from '../stages/transistors';
import { shippedComparators } from '../stages/comparators';
import type { Fix } from './advice';
import { nearestCandidate } from './advise';
import { analyse } from './analyse';
import { takeCodes } from './codes';
import { bandGoal, searchNow, withBand } from './hysteresis';
import { ROOM_CELSIUS, circuitInput } from './stageInput';
import { sizeSeriesResistor } from './loadFacts';
import { solveLadder, solveWindow } from './referenceString';
import { withAction } from './withAction';

/** The edit that carries out a mend. */
export function editFor(fix: Fix): Edit {
  switch (fix.kind) {
    case 'swap-ldr-side':
      return swapLdrSide;
    case 'use-divider':
      return (project) => resized(together(driveDirectly(false), swapLdrSide)(project));
    case 'take-fixed':
      return changeDivider({ fixedOhms: fix.ohms });
    case 'take-base':
      return changeBaseResistor(fix.ohms);
    case 'take-series':
      return changeLoad({ seriesOhms: fix.ohms }, fix.index);
    case 'lighten-load':
      return (project) => resized(lightened(project, fix.amps));
    case 'take-part': {
      const part = shippedParts.find(({ id }) => id === fix.id);
      return part ? (project) => resized(takeTransistor(part)(project)) : (project) => project;
    }
    case 'lower-supply':
      return (project) => resized(ownSupplies(project, fix.volts));
    case 'take-gain':
      return changeDetector('change', { gain: fix.gain });
    case 'goal-at':
      return (project) => resized(changeGoal({ lux: fix.lux })(project));
    case 'take-samples':
      return changeDetector('controller', { samples: fix.samples });
    case 'output-rail':
      return (project) => resized(withAction(changeOutput({ loadRail: fix.to })(project)));
    case 'take-codes':
    case 'solve-string':
      return resized;
    case 'swap-inputs':
      return (project) => resized(swapInputs(project));
    case 'take-release':
      return together(changeBaseResistor(fix.baseOhms), changeOutput({ releaseOhms: fix.ohms }));
    case 'take-comparator': {
      const part = shippedComparators.find(({ id }) => id === fix.id);
      return part ? (project) => resized(changeComparator({ part })(project)) : (project) => project;
    }
    case 'add-hysteresis':
      return (project) => {
        const wanted = bandGoal(fix.ratio)(project);
        return withBand(wanted, searchNow(wanted));
      };
    case 'switch-side':
      return (project) => resized(otherSide(project, fix.to));
    case 'load-at-collector':
      return (project) => resized(changeDriver({ place: 'collector' })(project));
    case 'join-grounds':
      return (project) =>
        changeLoadSupply(project.loadSupply && { ...project.loadSupply, commonGround: true })(project);
    case 'step-up-relay':
      return changeLoad({ contactAmps: fix.amps }, fix.index);
  }
}

/** The sensor side on a low supply of its own, the load on what both had, grounds joined. */
function ownSupplies(project: Project, volts: number): Project {
  const { divider, source } = project;
  const loadSupply = project.loadSupply ?? { volts: divider.supplyVolts, source, commonGround: true };
  return together(changeLoadSupply(loadSupply), takeSource(IDEAL_SOURCE, volts))(project);
}

/** The same action with the switch on the other side of the load, which then stands at the collector. */
function otherSide(project: Project, to: 'npn' | 'pnp'): Project {
  const action = (of: Project) => actionOf(circuitInput(of, 1, 'typical'));
  const moved = together(changeDriver({ place: 'collector' }), takeTransistor(defaultPart(to)))(project);
  const isSame = action(moved) === action(project);
  return isSame || moved.divider.isDirect ? moved : swapLdrSide(moved);
}

/** The same design with another LED current, and the series resistor for it. */
function lightened(project: Project, amps: number): Project {
  const lighter = changeLoad({ wantedAmps: amps })(project);
  const full = drivers[project.driver.kind].full(circuitInput(lighter, 1, 'typical'), ROOM_CELSIUS);
  const sized = full && sizeSeriesResistor(lighter, full, 0);
  const real = sized?.ok ? atOrAbove(project.resistors, sized.exactOhms)?.ohms : undefined;
  return sized?.ok ? changeLoad({ seriesOhms: real ?? sized.exactOhms })(lighter) : lighter;
}

/**
 * The same design put on its goal again, which another switch or load moves: by the real resistor that switches nearest to it,
 * or by a microcontroller's codes, or the string of a window or a ladder.
 */
export function resized(project: Project): Project {
  switch (project.detector.kind) {
    case 'controller':
      return takeCodes(project);
    case 'window':
      return solveWindow(project);
    case 'ladder':
      return solveLadder(project);
    case 'change':
      return project;
    default: {
      const analysis = analyse(project);
      const nearest = analysis.ok
        ? nearestCandidate(analysis.design.candidates, project.goal.lux)
        : undefined;
      return nearest ? changeDivider({ fixedOhms: nearest.ohms })(project) : project;
    }
  }
}
