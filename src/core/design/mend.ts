import {
  changeBaseResistor,
  changeDivider,
  changeLoad,
  changeLoadSupply,
  changeStage,
  driveDirectly,
  swapLdrSide,
  takeTransistor,
  together,
  type Edit,
} from '../project/edits';
import type { Project } from '../project/project';
import { atOrAbove } from '../series/drawer';
import { stages } from '../stages/registry';
import { shippedParts, usualPart } from '../stages/transistors';
import type { Mend } from './advice';
import { nearestCandidate } from './advise';
import { analyse } from './analyse';
import { ROOM_CELSIUS, stageInput } from './liveCircuit';
import { sizeSeriesResistor } from './loadFacts';

/** The edit that carries out a mend. */
export function editFor(mend: Mend): Edit {
  switch (mend.kind) {
    case 'swap-ldr-side':
      return swapLdrSide;
    case 'use-divider':
      return (project) => resized(together(driveDirectly(false), swapLdrSide)(project));
    case 'take-fixed':
      return changeDivider({ fixedOhms: mend.ohms });
    case 'take-base':
      return changeBaseResistor(mend.ohms);
    case 'take-series':
      return changeLoad({ seriesOhms: mend.ohms }, mend.index);
    case 'lighten-load':
      return (project) => resized(lightened(project, mend.amps));
    case 'take-part': {
      const part = shippedParts.find(({ id }) => id === mend.id);
      return part ? (project) => resized(takeTransistor(part)(project)) : (project) => project;
    }
    case 'switch-side':
      return (project) => resized(otherSide(project, mend.to));
    case 'load-at-collector':
      return (project) => resized(changeStage({ place: 'collector' })(project));
    case 'join-grounds':
      return (project) =>
        changeLoadSupply(project.loadSupply && { ...project.loadSupply, joined: true })(project);
    case 'step-up-relay':
      return changeLoad({ contactAmps: mend.amps }, mend.index);
  }
}

/** The same action with the switch on the other side of the load, which then stands at the collector. */
function otherSide(project: Project, to: 'npn' | 'pnp'): Project {
  const before = stages[project.stage.kind].actionOf(project.divider.ldrSide);
  const moved = together(changeStage({ place: 'collector' }), takeTransistor(usualPart(to)))(project);
  const isSame = stages[to].actionOf(moved.divider.ldrSide) === before;
  return isSame || moved.divider.isDirect ? moved : swapLdrSide(moved);
}

/** The same design with another LED current, and the series resistor for it. */
function lightened(project: Project, amps: number): Project {
  const lighter = changeLoad({ wantedAmps: amps })(project);
  const full = stages[project.stage.kind].full(stageInput(lighter, 1, 'typical'), ROOM_CELSIUS);
  const sized = full && sizeSeriesResistor(lighter, full, 0);
  const real = sized?.ok ? atOrAbove(project.resistors, sized.exactOhms)?.ohms : undefined;
  return sized?.ok ? changeLoad({ seriesOhms: real ?? sized.exactOhms })(lighter) : lighter;
}

/** The same design with the real resistor that switches nearest to the goal: another switch or load moves that. */
export function resized(project: Project): Project {
  const analysis = analyse(project);
  const nearest = analysis.ok ? nearestCandidate(analysis.design.candidates, project.goal.lux) : undefined;
  return nearest ? changeDivider({ fixedOhms: nearest.ohms })(project) : project;
}
