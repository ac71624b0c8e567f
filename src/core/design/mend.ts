import { neighbours } from '../series/series';
import { changeBaseResistor, changeDivider, changeLoad, swapLdrSide, type Edit } from '../project/edits';
import type { Project } from '../project/project';
import type { Mend } from './advice';
import { nearestCandidate } from './advise';
import { analyse } from './analyse';
import { sizeSeriesResistor } from './sizing';

/** The edit that carries out a mend. */
export function editFor(mend: Mend): Edit {
  switch (mend.kind) {
    case 'swap-ldr-side':
      return swapLdrSide;
    case 'take-fixed':
      return changeDivider({ fixedOhms: mend.ohms });
    case 'take-base':
      return changeBaseResistor(mend.ohms);
    case 'take-series':
      return changeLoad({ seriesOhms: mend.ohms });
    case 'lighten-load':
      return (project) => resized(lightened(project, mend.amps));
  }
}

/** The same design with another LED current, and the series resistor for it. */
function lightened(project: Project, amps: number): Project {
  const lighter = changeLoad({ wantedAmps: amps })(project);
  const sized = sizeSeriesResistor(lighter);
  return sized.ok ? changeLoad({ seriesOhms: neighbours(sized.exactOhms, 'E24').above })(lighter) : lighter;
}

/** The same design with the real resistor that switches nearest to the goal: another load moves that. */
function resized(project: Project): Project {
  const analysis = analyse(project);
  const nearest = analysis.ok ? nearestCandidate(analysis.design.candidates, project.goal.lux) : undefined;
  return nearest ? changeDivider({ fixedOhms: nearest.ohms })(project) : project;
}
