import { circuitInput } from '../analyse/circuitInput';
import type { Action } from '../drivers/kinds';
import { actionOf } from '../operate/assemble';
import { swapInputs } from '../project/detectorEdits';
import { swapLdrSide } from '../project/edits';
import type { Project } from '../project/project';

/** The action that a project's wiring gives, wanted or not. */
export const actionOfProject = (project: Project): Action => actionOf(circuitInput(project));

/** The same design with the wanted action: by two wires at a comparator, else by the LDR's side. */
export function withAction(project: Project): Project {
  const isRight = (of: Project) => actionOfProject(of) === of.goal.action;
  if (isRight(project)) return project;
  const swapped = swapInputs(project);
  return isRight(swapped) ? swapped : swapLdrSide(project);
}
